import { blindPairs } from '@/core/experiment/questions/blind';
import { noticedInPairs, noticedInSearch, surest, type Noticed } from '@/core/experiment/noticed';
import { isPairPlan, knownBy } from '@/core/experiment/questions';
import { menuField } from '@/core/settings/menus';
import { keyOfText, type SettingValue } from '@/core/settings/setting';
import { isShown } from '@/words/verdict';
import { SENTENCES } from '@/words/verdictSentences';
import type { BookView } from '../model/bookView';
import type { ExperimentView } from '../model/experimentView';
import type { KnownRow, SettingKnown } from '../model/settingKnown';
import { experimentSentence, fine, noticedText, settingWords } from './experimentWords';

/** All that some questions say of one setting. @param asked what was asked of it, newest first; what is still under way is left out */
export function settingKnown(
  view: Pick<BookView, 'menus'>,
  key: string,
  asked: readonly ExperimentView[],
): SettingKnown {
  const over = asked.filter(({ state }) => state !== 'open');
  const search = over.find(({ answer }) => answer?.kind === 'best' && answer.found.state !== 'searching');
  const found = search?.answer?.kind === 'best' ? search.answer.found : null;
  return {
    key,
    rows: over.map((shown) => rowOf(view, key, shown)).reverse(),
    best: found?.state === 'found' ? found.best[key]! : null,
    isIndifferent: found?.state === 'no preference',
    noticed: noticedOf(view, key, over),
  };
}

function rowOf(view: Pick<BookView, 'menus'>, key: string, shown: ExperimentView): KnownRow {
  const { id, atMs, question, asked, answer, state } = shown;
  const row: KnownRow = {
    ...{ id, atMs, question },
    ...{ tried: [], best: null, pair: null },
    sentence: experimentSentence(view, shown),
  };
  if (answer) Object.assign(row, knownBy(asked, answer, key));
  const [a, b] = isPairPlan(asked)
    ? [asked.a, asked.b].map((side) => numberOf(view, key, side[key] ?? null))
    : [];
  if (a === undefined || b === undefined || a === null || b === null) return row;
  row.tried = [a, b].map((value) => ({ value, wants: null }));
  row.pair = { a, b, isShown: state === 'given up' ? null : isDifferenceShown(shown) };
  return row;
}

const numberOf = (view: Pick<BookView, 'menus'>, key: string, value: SettingValue | null): number | null => {
  const number = value ?? menuField(view.menus, keyOfText(key))?.neutral;
  return typeof number === 'number' ? number : null;
};

function isDifferenceShown({ answer }: ExperimentView): boolean {
  if (answer?.kind === 'change') return answer.compared.measures.some(isShown);
  return answer?.kind === 'blind' && answer.score.verdict === 'shown';
}

/** What this driver just notices of a setting: by the newest search that found something, and by all blind pairs of it alone. */
export function noticedOf(
  view: Pick<BookView, 'menus'>,
  key: string,
  asked: readonly ExperimentView[],
): Noticed | null {
  const field = menuField(view.menus, keyOfText(key));
  if (!field) return null;
  const searched = asked.flatMap(({ answer }) =>
    answer?.kind === 'best' && answer.found.state === 'found' ? (answer.found.jnd[key] ?? []) : [],
  )[0];
  return surest([
    searched === undefined ? null : noticedInSearch(searched),
    noticedInPairs(
      asked.flatMap((shown) => pairsOf(view, key, shown)),
      field.max - field.min,
    ),
  ]);
}

function pairsOf(view: Pick<BookView, 'menus'>, key: string, { asked, answer, answers }: ExperimentView) {
  if (answer?.kind === 'jnd') return answer.pairs;
  if (asked.question !== 'discriminate' || answer?.kind !== 'blind' || Object.keys(asked.a).length > 1)
    return [];
  const [a, b] = [asked.a, asked.b].map((side) => numberOf(view, key, side[key] ?? null));
  if (typeof a !== 'number' || typeof b !== 'number') return [];
  return blindPairs({ orders: answer.orders, answers }).flatMap(({ order, answer: said }) =>
    said === 'none' ? [] : [{ apart: Math.abs(b - a), isRight: (order[0] === 'B') === (said === 'first') }],
  );
}

/** The one sentence of what is known of a setting. */
export function knownSentence(
  view: Pick<BookView, 'menus'>,
  { key, rows, best, isIndifferent }: SettingKnown,
): string {
  const words = settingWords(view);
  const name = words.name(key);
  if (best) return SENTENCES.knownBest(name, words.value(key, best.low), words.value(key, best.high));
  if (isIndifferent) return SENTENCES.knownIndifferent(name);
  if (rows.length === 0) return SENTENCES.knownUnasked(name);
  const told = rows.filter(({ pair }) => pair && pair.isShown !== null);
  return SENTENCES.knownShown(name, told.filter(({ pair }) => pair!.isShown).length, told.length);
}

/** Under it: what they just notice of it, as far as that is known. */
export function knownNoticed(
  view: Pick<BookView, 'menus' | 'names'>,
  { key, noticed }: Pick<SettingKnown, 'key' | 'noticed'>,
): string {
  return noticed
    ? noticedText(view, key, noticed)
    : SENTENCES.noticedUnknown(view.names.driver, view.names.title);
}

/** What speaks against taking many questions of one setting at their word. */
export const knownRemark = ({ rows }: Pick<SettingKnown, 'rows'>): string =>
  rows.length > 1 ? SENTENCES.knownLuck() : SENTENCES.knownFirst();

/** Said beside a change that this driver would hardly notice; `null` where nothing is known, or it is great enough. */
export function hardlyNoticed(
  view: Pick<BookView, 'menus' | 'known'>,
  key: string,
  from: number,
  to: number,
): string | null {
  const noticed = view.known?.[key];
  if (!noticed || from === to || Math.abs(to - from) >= noticed.low) return null;
  return SENTENCES.hardlyNoticed(fine(view, key, noticed.low));
}
