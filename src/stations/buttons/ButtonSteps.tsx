import { ACTION_IDS, ACTIONS, type ActionId } from '@/core/buttons/actions';
import { conflictsOf, type ButtonMap } from '@/core/buttons/buttonMap';
import { reachSeconds } from '@/core/buttons/reachRun';
import { writeRimJson } from '@/core/formats/rimJson';
import type { RimButton } from '@/core/rig/rimButton';
import type { BookView } from '@/book/model/bookView';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import { NextStep } from '@/ui/StationPage';
import { capital } from '@/words/format';

interface Props {
  names: BookView['names'];
  buttons: readonly RimButton[];
  map: ButtonMap;
  /** Where everything lies best; `null` while it is worked out. */
  best: { places: ButtonMap['on'] | null; isLong: boolean; fault: string | null };
  isChanged: boolean;
  /** Whether a wheel is there to be measured. */
  canMeasure: boolean;
  onKeep(): void;
  onPutBack(): void;
  onMeasure(): void;
  onMap(map: ButtonMap): void;
}

/** What to do next about the buttons: keep, measure, place, take along. */
export function ButtonSteps(props: Props) {
  const { names, buttons, map, best, isChanged, canMeasure, onKeep, onPutBack, onMeasure, onMap } = props;
  const { places } = best;
  const moves = places ? movesOf(map, places) : [];
  const isAllMeasured = buttons.every(({ seconds }) => seconds !== null);
  const first = moves.length > 0 ? 'move' : isChanged ? 'keep' : 'measure';
  const lookOf = (step: typeof first) => (step === first ? 'next' : 'plain');
  const steps = [
    isChanged && {
      title: 'Keep what you wrote',
      actions: (
        <>
          <Button look={lookOf('keep')} onClick={onKeep}>
            Keep
          </Button>
          <Button onClick={onPutBack}>Put back</Button>
        </>
      ),
      children: 'The card of this combination shows it.',
    },
    !isAllMeasured && {
      title: 'How far is each from your grip?',
      actions: (
        <Button look={lookOf('measure')} disabled={!canMeasure} onClick={onMeasure}>
          Measure the reach
        </Button>
      ),
      children: `Rest your hands as when driving, press what is named: about ${reachSeconds(buttons).toFixed(0)} s. Until then each takes as long as its place usually does.`,
    },
    Object.keys(map.on).length === 0 && {
      title: `What can be pressed in ${names.title}?`,
      actions: <Button onClick={() => onMap({ ...map, on: USUAL_ACTIONS })}>The usual ones</Button>,
      children:
        'Look back, brake balance, lights, reset, pause and what else most titles have; the list below takes one out or puts one in.',
    },
    best.isLong && {
      title: 'Where do they lie best?',
      children: best.fault ?? 'It is being worked out.',
    },
    places !== null &&
      moves.length > 0 && {
        title: `Where ${moves.length === 1 ? 'it lies' : 'they lie'} best`,
        actions: (
          <Button look={lookOf('move')} onClick={() => onMap({ ...map, on: places })}>
            Take it
          </Button>
        ),
        children: <Moves buttons={buttons} map={map} places={places} isAllMeasured={isAllMeasured} />,
      },
    !isChanged &&
      places !== null &&
      moves.length === 0 &&
      buttons.length > 0 && {
        title: 'Take it along',
        actions: (
          <Button
            onClick={() =>
              downloadText(
                `${names.rig}.rim.json`,
                writeRimJson({ buttons: [...buttons], map }),
                'application/json',
              )
            }
          >
            Save as a file
          </Button>
        ),
        children: `The rim with its reach, and what lies where in ${names.title}.`,
      },
  ].filter((step) => step !== false);
  return steps.map((step) => <NextStep key={step.title} {...step} />);
}

/** What would lie elsewhere, by which measure, and what even then would not lie well. */
function Moves({
  buttons,
  map,
  places,
  isAllMeasured,
}: Pick<Props, 'buttons' | 'map'> & { places: ButtonMap['on']; isAllMeasured: boolean }) {
  const nameOf = (index: number | null | undefined) =>
    buttons.find((one) => one.index === index)?.name ?? 'no button';
  const left = conflictsOf({ ...map, on: places }, buttons).length;
  return (
    <>
      <ul>
        {movesOf(map, places).map((id) => (
          <li key={id}>
            {capital(ACTIONS[id].word)}: {nameOf(map.on[id])} → {nameOf(places[id])}
          </li>
        ))}
      </ul>
      <p className="mt-1">
        Least time in sum, what is wanted in mid-corner under a thumb, what costs the ride away from it
        {isAllMeasured ? '; by your own reach.' : '; by usual reach, not yours.'}
        {left > 0 && ` On these buttons ${left} of them cannot lie well: they are told once it is taken.`}
      </p>
    </>
  );
}

/** What most titles let one press; where nothing lies yet. */
const USUAL_ACTIONS: ButtonMap['on'] = Object.fromEntries(
  (
    [
      'brake-balance-front',
      'brake-balance-rear',
      'look-back',
      'flash',
      'limiter',
      'camera',
      'reset',
      'pause',
    ] as const
  ).map((id) => [id, null]),
);

/** What lies elsewhere in the proposal. */
const movesOf = (map: ButtonMap, places: ButtonMap['on']): ActionId[] =>
  ACTION_IDS.filter((id) => map.on[id] !== undefined && map.on[id] !== places[id]);
