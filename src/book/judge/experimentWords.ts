import type { Noticed } from '@/core/experiment/noticed';
import { settingsOf } from '@/core/experiment/questions';
import { decimalsOf } from '@/core/response/menuSchema';
import { menuField } from '@/core/settings/menus';
import { keyOfText, type SettingValue } from '@/core/settings/setting';
import { QUESTION_WORDS } from '@/words/questions';
import type { SettingWords } from '@/words/questions/questionWords';
import { ratingText } from '@/words/verdict';
import { SENTENCES } from '@/words/verdictSentences';
import type { BookView } from '../model/bookView';
import type { ExperimentLine, ExperimentView } from '../model/experimentView';
import { settingName } from './trail';

/** Names and values of settings in a title's own scale. */
export function settingWords(view: Pick<BookView, 'menus'>): SettingWords {
  const field = (key: string) => menuField(view.menus, keyOfText(key));
  const value = (key: string, v: SettingValue | null) => {
    const of = field(key);
    const number = v ?? of?.neutral ?? null;
    if (Array.isArray(number)) return 'a curve';
    if (number === null) return 'as made';
    return of ? number.toFixed(decimalsOf(of)) : String(number);
  };
  return {
    name: (key) => settingName(view, keyOfText(key)),
    value,
    side: (side) =>
      Object.entries(side)
        .map(([key, v]) => `${settingName(view, keyOfText(key))} ${value(key, v)}`)
        .join(', '),
    fine: (key, v) => fine(view, key, v),
    noticed: (key, noticed) => noticedText(view, key, noticed),
  };
}

const askedOf = (shown: ExperimentView) => ({
  asked: shown.asked,
  answer: shown.answer!,
  isGivenUp: shown.state === 'given up',
  ridden: shown.ridden,
});

/** The one sentence of an experiment. */
export function experimentSentence(view: Pick<BookView, 'menus'>, shown: ExperimentView): string {
  const words = QUESTION_WORDS[shown.question];
  return shown.answer
    ? words.answer(askedOf(shown), settingWords(view))
    : words.open(Math.floor(shown.ridden / 2) + 1);
}

/** What speaks against taking it at its word, and what else is to be known. */
export function experimentRemarks(view: Pick<BookView, 'menus'>, shown: ExperimentView): string[] {
  return [
    ...(shown.answer ? QUESTION_WORDS[shown.question].remarks(askedOf(shown), settingWords(view)) : []),
    ...shown.softwareChanged.map((ride) => SENTENCES.softwareChanged(ride)),
    ...shown.rated.map(ratingText),
  ];
}

/** What a driver just notices of a setting, as far as their answers say it. */
export function noticedText(
  view: Pick<BookView, 'menus'>,
  key: string,
  { value, low, high }: Pick<Noticed, 'value' | 'low' | 'high'>,
): string {
  const name = settingWords(view).name(key).toLowerCase();
  const field = menuField(view.menus, keyOfText(key));
  if (field && high > field.max - field.min) return SENTENCES.jndOpen(name, fine(view, key, low));
  return SENTENCES.jnd(`${fine(view, key, value)} of ${name}`, fine(view, key, low), fine(view, key, high));
}

/** A figure that is no value of the menu's grid: one digit more than the menu writes. */
export function fine(view: Pick<BookView, 'menus'>, key: string, value: number): string {
  const field = menuField(view.menus, keyOfText(key));
  return value.toFixed(field ? decimalsOf(field) + 1 : 1);
}

export const experimentLine = (view: Pick<BookView, 'menus'>, shown: ExperimentView): ExperimentLine => ({
  id: shown.id,
  atMs: shown.atMs,
  question: shown.question,
  settings: settingsOf(shown.asked).map((key) => settingName(view, keyOfText(key))),
  state: shown.state,
  decision: shown.decision,
  sentence: experimentSentence(view, shown),
});
