import { z } from 'zod';
import { line } from '../text/line';
import { keyText, type SettingKey, type SettingValue, type SettingValues } from './setting';

/** One change that is proposed, in the menu's own numbers, with what it rests on. */
export interface Proposal {
  key: SettingKey;
  /** What the setting is called, with what tells it apart from others of the name. */
  label: string;
  from: number;
  to: number;
  /** The evidence in a sentence or two. */
  evidence: string;
}

/** What a proposal would set, as text: the same proposal is the same text, another value is another proposal. */
export const proposalId = ({ key, to }: Pick<Proposal, 'key' | 'to'>): string => `${keyText(key)}:${to}`;

export const proposalIdSchema = line(200).min(1);
const MOST_DECLINED = 400;
/** Proposals that were waved away. */
export const declinedSchema = z.array(proposalIdSchema).max(MOST_DECLINED);

/** The proposal as a change that is asked for, with what the page saw before it. */
export function changeAsked(
  { key, to, evidence }: Omit<Proposal, 'label' | 'from'>,
  settings: SettingValues,
) {
  const seen: SettingValue | null = settings[keyText(key)] ?? null;
  return { ...key, to, seen, why: evidence };
}
