'use client';

import { useMemo } from 'react';
import { measuredOtherwise } from '@/core/rotation/lockAdvice';
import { matchRotation } from '@/core/rotation/matchRotation';
import { degreesField } from '@/core/settings/menus';
import { rotationInForce } from '@/core/settings/rotationOf';
import { keyText, type Layer, type SettingKey } from '@/core/settings/setting';
import { Button } from '@/ui/Button';
import { NumberSlider } from '@/ui/NumberSlider';
import type { BookView } from '@/book/model/bookView';
import type { CombinationLine } from '@/book/model/combinationView';
import { applyChanges } from '@/book/write/settings';
import { KeepStep } from '@/parts/KeepStep';
import { ProposalStep } from '@/parts/ProposalStep';
import { changeAsked, type Proposal } from '@/core/settings/proposal';
import { chooseSchool } from '@/book/write/schools';
import { basisOf, isSetSince } from '@/book/judge/basis';
import { Facts, restOn } from '@/parts/Facts';
import { NextStep, StationPage } from '@/ui/StationPage';
import { useDraftSettings, type DraftSettings } from '@/parts/useDraftSettings';
import { degrees } from '@/words/format';
import { termBeside } from '@/words/standardTerm';
import { notifyReply } from '@/parts/notifyReply';
import { BelievedBase, LiveLock } from './LockCheck';
import { hairpinOf, lockFactsOf, slideOf, lockFinding, lockProposals } from '@/book/judge/lock';
import { LockPicture } from './LockPicture';
import { CarTable, ConsistencyTable } from './LockTables';

interface Props {
  view: BookView;
  /** The driver's own combinations. */
  own: CombinationLine[];
}

/** Lock: base, title and car turn alike, the bump stop lies at the car's lock, the hairpin fits. */
export function LockStation({ view, own }: Props) {
  const draft = useDraftSettings(view, 'Set by hand in Lock.');
  const rotation = useMemo(
    () => rotationInForce(view.menus, draft.values, view.car.lockDeg, view.title.rotation === 'stretch'),
    [view, draft.values],
  );
  const tried = { ...view, rotation };
  const hairpin = hairpinOf(tried);
  const slide = useMemo(() => slideOf({ car: view.car, rotation }), [view.car, rotation]);
  const facts = lockFactsOf(tried);
  const match = matchRotation(rotation);
  const basis = basisOf({ ...tried, settings: draft.values });
  return (
    <StationPage
      finding={lockFinding({ ...tried, settings: draft.values }).heading}
      subtitle={`${view.names.car} in ${view.names.title}: lock to lock of base, title and car.`}
      next={
        <>
          <KeepStep view={view} draft={draft} />
          {draft.changed.length === 0 && <Advice view={view} />}
        </>
      }
    >
      <LockPicture rotation={rotation} ratio={view.car.steeringRatio} hairpin={hairpin} />
      <div className="mt-2 max-w-2xl" role="group" aria-label="Rotation settings">
        {ROTATIONS.map(({ layer, of }) => (
          <RotationSlider key={layer} view={view} layer={layer} of={of} draft={draft} />
        ))}
      </div>
      <Facts
        facts={[
          ...restOn(basis.rotation, [
            { value: degrees(match.displayAt90), meaning: 'is what the title shows with the rim at 90°' },
            {
              value: degrees(Math.max(0, match.overtravelDeg)),
              meaning:
                match.overtravelDeg >= 0
                  ? 'turn into nothing beyond the car’s lock'
                  : 'beyond the lock: none',
            },
            { value: degrees(match.bumpStopDeg), meaning: 'is where the bump stop belongs' },
          ]),
          ...(Number.isFinite(hairpin.radiusM)
            ? [
                {
                  basis: basis.hairpin,
                  value: degrees(hairpin.handDeg),
                  meaning: `of the hands for the ${radiusSaid(hairpin)} hairpin${hairpin.isEasy ? ', without moving them' : ''}`,
                },
              ]
            : []),
          ...(slide
            ? [
                {
                  basis: basis.slide,
                  value: degrees(slide.handDeg),
                  meaning: `against a slide of ${degrees(slide.angleDeg)} on ${slide.radiusM} m${slide.isEnough ? '' : ', more than the base turns'}; the column pulls ${slide.columnNm.toFixed(1)} N·m that way`,
                },
              ]
            : []),
        ]}
      />
      {facts && measuredOtherwise(facts) && facts.measured && (
        <p className="mt-4 max-w-2xl text-rust">
          Measured lock to lock: {degrees(facts.measured.deg)} ± {degrees(1.96 * facts.measured.sigmaDeg, 1)}.{' '}
          {isSetSince(tried)
            ? `The base was set to ${degrees(rotation.baseDeg)} after that: measure the steering again, and it is known.`
            : `The base is set to ${degrees(rotation.baseDeg)}: one of the two is old. Measure the steering again, or correct the base.`}
        </p>
      )}
      <div className="mt-6 grid max-w-4xl gap-8 md:grid-cols-2">
        <LiveLock view={tried} />
        <BelievedBase view={tried} />
      </div>
      <CarTable view={view} />
      <ConsistencyTable own={own} unit={view.speedUnit} />
    </StationPage>
  );
}

/** A radius with what it is off by, where the road was read from rides. */
const radiusSaid = ({ radiusM, plusMinusM }: ReturnType<typeof hairpinOf>) =>
  plusMinusM ? `${radiusM.toFixed(1)} ± ${plusMinusM.toFixed(1)} m` : `${radiusM.toFixed(1)} m`;

const LAYER_NAMES: Record<Layer, string> = { base: 'Base', title: 'Title', car: 'Car' };
const ROTATIONS: { layer: Layer; of: 'rotation' | 'lock' }[] = [
  { layer: 'base', of: 'rotation' },
  { layer: 'title', of: 'rotation' },
  { layer: 'car', of: 'lock' },
];

function RotationSlider({
  view,
  layer,
  of,
  draft,
}: {
  view: BookView;
  layer: Layer;
  of: 'rotation' | 'lock';
  draft: DraftSettings;
}) {
  const field = degreesField(view.menus, layer, of);
  if (!field) return null;
  const key: SettingKey = { layer, axis: 'steering', field: field.key };
  const read = (from: BookView['settings']) => {
    const value = from[keyText(key)];
    return typeof value === 'number' ? value : field.neutral;
  };
  return (
    <NumberSlider
      label={`${LAYER_NAMES[layer]}: ${field.label.toLowerCase()}`}
      term={termBeside(field)}
      unit="°"
      min={field.min}
      max={field.max}
      step={field.step}
      neutral={field.neutral}
      value={read(draft.values)}
      ghost={read(view.settings)}
      onChange={(to) => draft.attempt(key, to)}
    />
  );
}

function Advice({ view }: { view: BookView }) {
  const { all, assisted } = lockProposals(view);
  const own = view.schools.rotation === 'own';
  const [low] = assisted;
  if (!lockFactsOf(view)) return null;
  return (
    <>
      {all.map((proposal) => (
        <ProposalStep
          key={proposal.key.layer}
          proposal={proposal}
          view={view}
          apply={(name) => (
            <Button look="next" aria-label={name} onClick={() => void apply(view, [proposal])}>
              Apply
            </Button>
          )}
        />
      ))}
      {all.length > 1 && (
        <NextStep
          title="Or all of it at once"
          actions={<Button onClick={() => void apply(view, all)}>Apply all {all.length}</Button>}
        >
          One rotation in three places: they belong together, so nothing is confounded that could be told
          apart.
        </NextStep>
      )}
      {low && (
        <NextStep
          title={`Or less of it: ${degrees(low.to)} and a steering that helps`}
          actions={<Button onClick={() => void apply(view, assisted)}>Use {degrees(low.to)}</Button>}
        >
          This base cannot turn what the car does. With the title’s steering help on, a short turn is easier
          to live with than a lock that ends early. The way back is on the trail.
        </NextStep>
      )}
      <NextStep
        title={own ? 'Each car its own rotation' : 'One rotation for every car'}
        actions={
          <Button
            onClick={() =>
              void chooseSchool({ rotation: own ? 'one' : 'own' }).then((reply) => notifyReply(reply))
            }
          >
            {own ? 'I want one rotation for all' : 'I want each car’s own'}
          </Button>
        }
      >
        {own
          ? 'The base stops where the car does, as in the car itself. Others keep one rotation for all, so that the hands never learn anew.'
          : 'The hands know one rotation, and the bump stop in the title marks each car’s lock. Others give each car its own, as in the car itself.'}
      </NextStep>
    </>
  );
}

async function apply(view: BookView, proposals: Proposal[]) {
  const reply = await applyChanges(
    proposals.map((proposal) => ({
      ...changeAsked(proposal, view.settings),
      // Another car or title may want another rotation of the same base.
      thisTitleOnly: proposal.key.layer === 'base',
    })),
  );
  notifyReply(reply, 'On the trail');
}
