import type { Noticed } from '@/core/experiment/noticed';
import type { Plan, Spread } from '@/core/experiment/planRides';
import type { MeasureName } from '@/core/rides/measures';
import type { SettingValue } from '@/core/settings/setting';

/** Names and values of settings in a title's own scale. */
export interface SettingWords {
  name(key: string): string;
  value(key: string, v: SettingValue | null): string;
  /** "Brake dead zone 4, brake saturation 90". */
  side(side: Record<string, SettingValue | null>): string;
  /** A figure that is no value of the menu's grid: one digit more than the menu writes. */
  fine(key: string, value: number): string;
  /** What a driver just notices of it, as far as their answers say it. */
  noticed(key: string, noticed: Pick<Noticed, 'value' | 'low' | 'high'>): string;
}

/** A question that was asked, with what came of it. */
interface Asked<P, A> {
  asked: P;
  answer: A;
  isGivenUp: boolean;
  /** Rides that count so far. */
  ridden: number;
}

export interface Planned extends Plan {
  /** `null` where all measures are asked about. */
  named: MeasureName | null;
  /** Settings that are searched. */
  searched: number;
}

/** How a driver's laps spread by themselves on a road, and how long one takes. */
export interface OwnLaps {
  lapS: number | null;
  of: Partial<Record<MeasureName, Spread>>;
}

/** How a question is asked and answered in words; each is a file beside this one and a line of `../questions.ts`. */
export interface QuestionWords<P, A> {
  ask: string;
  /** The same in the width of a ride on the trail. */
  short: string;
  about: string;
  /** How the ends of what is tried are called where they are chosen. */
  ends: { from: string; to: string };
  /** What is kept, and what it is put back to. */
  keep: string;
  putBack: string;
  /** What breaking it off gives. @param tells whether it tells something all the same */
  brokenOff(tells: boolean): string;
  /** What to do with its answer. */
  whatNext: string;
  /** What it takes and what will be able to be seen, before the first ride. @param isShort where it stands in a list */
  plan(planned: Planned, own: OwnLaps, isShort: boolean): string;
  /** While nothing may be told yet. @param pair from 1 */
  open(pair: number): string;
  /** The one sentence of what it came to. */
  answer(of: Asked<P, A>, words: SettingWords): string;
  /** How far its sentence can be trusted; `null` where the sentence says so itself. */
  trust(answer: A): string | null;
  /** What speaks against taking it at its word, and what else is to be known. */
  remarks(of: Asked<P, A>, words: SettingWords): string[];
}

/** What most questions say alike. */
export const usualWords = {
  ends: { from: 'At its least', to: 'At its most' },
  keep: 'it',
  putBack: '',
  brokenOff: () => 'Nothing is shown then. A pause needs nothing: it goes on where it was.',
  whatNext: 'What is decided lies on the trail, and can be put back from there.',
  trust: () => null,
  remarks: (): string[] => [],
};
