import { basePages } from '@/catalog/bases';
import { CAUTIONS } from '@/catalog/cautions';
import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import { cardPages, type SetupCard } from '@/core/card/setupCard';
import { changedBetween } from '@/core/settings/setting';
import type { TypedIn } from '@/core/card/typedIn';
import { buttonLines } from '@/words/buttons';
import { DRIVE_WORDS } from '@/words/hardware';
import type { AxisView } from '../model/axisView';
import { rotationInput } from './basis';
import type { BookView } from '../model/bookView';
import { settingNames } from './trail';
import { date } from '@/words/format';
import type { TypedInView } from '../model/typedIn';

/** The card of the open combination: base first, then title, then car, in the order of their own menus. */
export function cardOf(view: BookView): SetupCard {
  const { rig, names, title, ready } = view;
  const { base } = rig.spec;
  const torque = base.torqueNm === null ? '' : ` ${base.torqueNm} N·m`;
  const versions = [ready.titleVersion && `${title.name} ${ready.titleVersion}`, ready.stamp.firmware];
  return {
    title: `${names.car} on the ${names.rig} in ${title.name}`,
    made: [
      `for ${names.driver}`,
      `made for: ${DRIVE_WORDS[base.drive]}${torque}, ${rotationText(view)}`,
      ...versions.filter(Boolean),
    ],
    pages: cardPages(
      [
        ...basePages(rig.spec),
        ...title.pages.filter((p) => p.layer === 'title'),
        ...title.pages.filter((p) => p.layer === 'car'),
      ],
      view.menus,
      view.settings,
    ),
    buttons: buttonLines(view.buttonMap, rig.spec.rim),
    calibration: view.axes.flatMap((axis) => calibrationLine(axis)),
    cautions: CAUTIONS.filter(({ fromNm }) => (base.torqueNm ?? Infinity) >= fromNm).map(({ text }) => text),
  };
}

/** What the base turns, and that nobody has measured it where nobody has. */
function rotationText(view: BookView): string {
  const { evidence } = rotationInput(view);
  const turns = `${view.rotation.baseDeg}°`;
  if (evidence === 'measured') return turns;
  return evidence === 'described' ? `${turns} as it is set, not measured` : `${turns} assumed, not measured`;
}

const raw = (value: number) => (Math.abs(value) < 10 ? value.toFixed(3) : value.toFixed(0));

function calibrationLine({ name, capture }: AxisView): string[] {
  if (!capture) return [`${name}: not measured.`];
  const { analysis } = capture;
  return [`${name}: ${endsOf(analysis)} (${date(capture.madeAtMs)}).`];
}

function endsOf(analysis: AxisAnalysis): string {
  if (analysis.axis === 'gear') return `${analysis.gates.length} gates read`;
  const ends = `raw ${raw(analysis.min)} to ${raw(analysis.max)}${analysis.inverted && analysis.axis !== 'steering' ? ', inverted' : ''}`;
  if (analysis.axis !== 'steering' || analysis.rotationDeg === null) return ends;
  return `${ends}, ${analysis.rotationDeg.toFixed(0)}° lock to lock`;
}

/** When the card was typed in, and what has changed since. */
export function typedInView(
  { atMs, version, values }: TypedIn,
  view: Pick<BookView, 'settings' | 'ready' | 'menus'>,
): TypedInView {
  const { settings, ready } = view;
  const changed = changedBetween(values, settings);
  return {
    atMs,
    version,
    changed,
    since: [
      ...(changed.length > 0 ? [settingNames(view, changed)] : []),
      ...(version === versionText(ready)
        ? []
        : [`versions (${version || 'none'} then, ${versionText(ready) || 'none'} now)`]),
    ],
  };
}

/** The versions that a card is typed into. */
export function versionText({
  titleVersion,
  stamp,
}: Pick<BookView['ready'], 'titleVersion' | 'stamp'>): string {
  return [titleVersion, stamp.firmware].filter(Boolean).join(', ');
}
