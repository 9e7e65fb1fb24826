import { offeredApart } from '@/core/experiment/jndStaircase';
import { LEAST_PAIRS, noticedInSearch, type Noticed } from '@/core/experiment/noticed';
import { isBlind, settingsOf, type JndPlan, type PairPlan, type ExplorePlan } from '@/core/experiment/plan';
import { decimalsOf } from '@/core/response/menuSchema';
import { menuField } from '@/core/settings/menus';
import { keyOfText, type SettingValue } from '@/core/settings/setting';
import {
  blindSentence,
  comparisonWarning,
  crossCheckText,
  missingText,
  ratingText,
  searchSentence,
  verdictSentence,
} from '@/words/verdict';
import { SENTENCES } from '@/words/verdictSentences';
import type { BookView } from '../model/bookView';
import type { ExperimentLine, ExperimentView, LeftOut } from '../model/experimentView';
import { settingName } from './trail';

/** Names and values of settings in a title's own scale. */
export function settingWords(view: Pick<BookView, 'menus'>) {
  const field = (key: string) => menuField(view.menus, keyOfText(key));
  const value = (key: string, v: SettingValue | null) => {
    const of = field(key);
    const number = v ?? of?.neutral ?? null;
    if (Array.isArray(number)) return 'a curve';
    if (number === null) return 'as made';
    return of ? number.toFixed(decimalsOf(of)) : String(number);
  };
  return {
    name: (key: string) => settingName(view, keyOfText(key)),
    value,
    /** "Brake dead zone 4, brake saturation 90". */
    side: (side: Record<string, SettingValue | null>) =>
      Object.entries(side)
        .map(([key, v]) => `${settingName(view, keyOfText(key))} ${value(key, v)}`)
        .join(', '),
  };
}

/** The one sentence of an experiment. */
export function experimentSentence(view: Pick<BookView, 'menus'>, shown: ExperimentView): string {
  const { answer, asked, state } = shown;
  const words = settingWords(view);
  const isGivenUp = state === 'given up';
  if (!answer)
    return isBlind(asked)
      ? SENTENCES.blindOpen(Math.floor(shown.ridden / 2) + 1, asked.question === 'jnd')
      : SENTENCES.notLooked();
  switch (answer.kind) {
    case 'change':
      return verdictSentence(answer.compared.measures, answer.sides);
    case 'blind':
      return answer.orders.length === 0 && isGivenUp
        ? SENTENCES.ordersLost()
        : answer.commitmentHolds === false
          ? SENTENCES.commitmentBroken()
          : blindSentence(asked.question as PairPlan['question'], answer.score, isGivenUp);
    case 'jnd': {
      const plan = asked as JndPlan;
      const { key } = plan.setting;
      const { pairs, told, isKnown, orders, commitmentHolds } = answer;
      if (orders.length === 0 && isGivenUp) return SENTENCES.ordersLost();
      if (commitmentHolds === false) return SENTENCES.commitmentBroken();
      if (pairs.length < LEAST_PAIRS) return SENTENCES.jndBroken(pairs.length);
      const name = words.name(key).toLowerCase();
      if (isEveryStep(plan, told)) return SENTENCES.jndEvery(name, words.value(key, plan.setting.step));
      if (isBeyond(plan, told))
        return !isKnown && !isBeyond(plan, { high: told.jnd })
          ? SENTENCES.jndBroken(pairs.length)
          : SENTENCES.jndBeyond(name, fine(view, key, told.low));
      return SENTENCES.jndTold(
        name,
        fine(view, key, told.jnd),
        fine(view, key, told.low),
        fine(view, key, told.high),
      );
    }
    case 'best':
      return searchSentence(
        answer.found,
        shown.ridden,
        isGivenUp,
        (key) => words.name(key).toLowerCase(),
        (key, v) => words.value(key, v),
      );
    case 'explore': {
      const { setting } = asked as ExplorePlan;
      const name = words.name(setting.key);
      return answer.rides.some(({ summary }) => summary)
        ? SENTENCES.exploreRidden(
            name,
            words.value(setting.key, setting.min),
            words.value(setting.key, setting.max),
          )
        : SENTENCES.exploreUnlogged(name);
    }
  }
}

/** Nobody is tried with more than the menu has: what lies beyond is not claimed to be noticed. */
const isBeyond = (plan: JndPlan, { high }: { high: number }) => high > (offeredApart(plan).at(-1) ?? 0);

/** Who notices less than the least that the menu has notices each of its steps. */
const isEveryStep = ({ setting }: JndPlan, { high }: { high: number }) => high < setting.step;

const isWithin = (plan: JndPlan, told: { high: number }) => !isEveryStep(plan, told) && !isBeyond(plan, told);

/** What speaks against taking it at its word, and what else is to be known. */
export function experimentRemarks(view: Pick<BookView, 'menus'>, shown: ExperimentView): string[] {
  return [
    ...answerRemarks(view, shown),
    ...shown.softwareChanged.map((ride) => SENTENCES.softwareChanged(ride)),
    ...shown.rated.map(ratingText),
  ];
}

const LEFT_OUT: Record<LeftOut['why'], (ride: number) => string> = {
  'no log': (ride) => SENTENCES.noLog(ride),
  'other road': (ride) => SENTENCES.otherRoad(ride),
  'other software': (ride) => SENTENCES.otherSoftware(ride),
};

function answerRemarks(view: Pick<BookView, 'menus'>, { answer, asked }: ExperimentView): string[] {
  const words = settingWords(view);
  const name = (key: string) => words.name(key).toLowerCase();
  switch (answer?.kind) {
    case 'change': {
      const { compared, leftOut, strayLogs } = answer;
      return [
        crossCheckText(compared) ?? [],
        compared.warnings.map(comparisonWarning),
        leftOut.map(({ ride, why }) => LEFT_OUT[why](ride)),
        strayLogs > 0 ? SENTENCES.strayLogs(strayLogs) : [],
        compared.untold.filter(({ nA, nB }) => nA + nB > 0).map(missingText),
      ].flat();
    }
    case 'best':
      return [
        // Of a search that found nothing the answers say nothing of how fine the driver feels it.
        ...(answer.found.state === 'found' ? Object.entries(answer.found.jnd) : []).map(([key, jnd]) =>
          noticedText(view, key, noticedInSearch(jnd)),
        ),
        ...Object.entries(answer.found.apart).map(([key, { preferred, wished }]) =>
          SENTENCES.apart(name(key), words.value(key, preferred), words.value(key, wished)),
        ),
      ];
    case 'jnd':
      return [
        ...(answer.pairs.length >= LEAST_PAIRS && isWithin(asked as JndPlan, answer.told)
          ? [SENTENCES.jndMeans()]
          : []),
        ...(answer.commitmentHolds ? [SENTENCES.commitmentHolds()] : []),
      ];
    case 'blind':
      return answer.commitmentHolds ? [SENTENCES.commitmentHolds()] : [];
    default:
      return [];
  }
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
