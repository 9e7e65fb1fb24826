'use client';

import { brakeForceInstead } from '@/book/judge/brakeForce';
import type { PedalAnalysis } from '@/core/axes/pedalAnalysis';
import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import { roughAdvice, roughPlace } from '@/core/axes/roughAdvice';
import { rotationAdvice } from '@/core/axes/rotationAdvice';
import { gridValue, toCanonical } from '@/core/response/menuSchema';
import { valueOf } from '@/core/response/settings';
import { Button } from '@/ui/Button';
import type { AxisView } from '@/book/model/axisView';
import type { BookView } from '@/book/model/bookView';
import { applyChange } from '@/book/write/settings';
import { NextStep } from '@/ui/StationPage';
import { degrees } from '@/words/format';
import { percent } from '@/core/text/percent';
import { notifyReply } from '@/parts/notifyReply';

interface Piece {
  title: React.ReactNode;
  text: React.ReactNode;
  actions?: React.ReactNode;
}

/** What a capture says beyond dead zone and saturation: rotation to type in, brake force, a short clutch. */
export function AxisAdvice({ axis, view }: { axis: AxisView; view: BookView }) {
  return pieces(axis, view).map((piece, i) => (
    <NextStep key={i} title={piece.title} actions={piece.actions}>
      {piece.text}
    </NextStep>
  ));
}

function pieces(axis: AxisView, view: BookView): Piece[] {
  const analysis = axis.capture?.analysis;
  if (!analysis) return [];
  return [...wornPieces(axis, analysis), ...ownPieces(axis, analysis, view)];
}

/** A track that is worn: where, and what is to be done about it. */
function wornPieces({ axis, name }: AxisView, { roughSpots }: AxisAnalysis): Piece[] {
  const [spot] = roughSpots;
  if (!spot) return [];
  return [
    {
      title: <span className="text-rust">{name}: the track is worn</span>,
      text: `Rough ${roughPlace(spot, axis)}. ${roughAdvice(spot, axis)}`,
    },
  ];
}

/** What the kind of axis asks for. */
function ownPieces(axis: AxisView, analysis: AxisAnalysis, view: BookView): Piece[] {
  if (analysis.axis === 'steering') return steeringPieces(analysis, view);
  if (analysis.axis === 'brake') return brakePieces(axis, view);
  if (analysis.axis === 'clutch') return clutchPieces(analysis, axis);
  return [];
}

function steeringPieces(
  analysis: Extract<NonNullable<AxisView['capture']>['analysis'], { axis: 'steering' }>,
  { rig, names }: BookView,
): Piece[] {
  const { rotationDeg, rotationSigmaDeg, snappedDeg } = analysis;
  if (rotationDeg === null || rotationSigmaDeg === null) return [];
  const advice = rotationAdvice(rotationDeg, rotationSigmaDeg, snappedDeg);
  const [low, high] = advice.wizardDeg;
  const set = rig.spec.base.rotationDeg;
  const isOff = set !== null && Math.abs(set - rotationDeg) > 2 * rotationSigmaDeg;
  return [
    {
      title: (
        <>
          Type <span className="font-mono">{advice.typeDeg}</span> into {names.title}
        </>
      ),
      text: (
        <>
          Measured between {degrees(advice.intervalDeg[0])} and {degrees(advice.intervalDeg[1])} (95 %). A
          title’s own 90° wizard may show anything from {low} to {high} for this wheel: a hand holds 90° to
          about 1.5°, and the wizard scales that error up to the whole rotation. Do not type in what it shows.
        </>
      ),
    },
    ...(isOff
      ? [
          {
            title: <span className="text-rust">The base says {set}°</span>,
            text: 'Base and measurement disagree by more than the measurement allows: look at what the base is set to, and correct it under Rig.',
          },
        ]
      : []),
  ];
}

function brakePieces(axis: AxisView, { rig }: BookView): Piece[] {
  const advice = brakeForceInstead(axis, rig.spec);
  if (!advice) return [];
  const press = `Press as hard as you still would in the twentieth minute: that was ${advice.pressMean.toFixed(2)} of the cell’s reach.`;
  return [
    {
      title: (
        <>
          Or on the base: brake force{' '}
          <span className="font-mono whitespace-nowrap">
            {advice.now} → {advice.withMargin}
          </span>
        </>
      ),
      text: `${press} ${advice.forFull} gives it 100 %, one notch less makes it sure. Instead of the saturation, not with it; measure again after.`,
    },
  ];
}

/** Share of the travel that a quick shift wants to press. */
const SHORT_CLUTCH = 0.55;

function clutchPieces(analysis: PedalAnalysis, { dialect, values }: AxisView): Piece[] {
  const field = dialect?.fields.find((f) => f.maps.kind.startsWith('saturation'));
  if (!field || analysis.pressMean === null) return [];
  const to = gridValue(field, SHORT_CLUTCH, 'nearest');
  const from = valueOf(field, values);
  if (toCanonical(field, from) <= toCanonical(field, to)) return [];
  const shorter = 1 - toCanonical(field, to) / Math.min(toCanonical(field, from), analysis.pressMean);
  return [
    {
      title: (
        <>
          For quick shifts: clutch {field.label.toLowerCase()}{' '}
          <span className="font-mono whitespace-nowrap">
            {from} → {to}
          </span>
        </>
      ),
      text: `The clutch is fully out at ${percent(toCanonical(field, to))} of the travel, ${percent(shorter)} less to press than now. Launches by foot get harder: one school wants this, the other the whole travel.`,
      actions: (
        <Button
          onClick={() =>
            void applyChange({
              axis: 'clutch',
              field: field.key,
              to,
              seen: values[field.key] ?? null,
              why: `Short clutch for quick shifts: 100 % at ${percent(toCanonical(field, to))} of the travel.`,
            }).then((reply) =>
              notifyReply(reply, `Clutch ${field.label.toLowerCase()} ${from} → ${to} is on the trail`),
            )
          }
        >
          Make it short
        </Button>
      ),
    },
  ];
}
