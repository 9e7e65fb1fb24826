'use client';

import { useCallback } from 'react';
import { MASKS_FROM, type StretchBalance } from '@/core/force/balance';
import { EFFECT_PRESETS, type EffectPreset } from '@/core/force/effectPresets';
import { effectParameter, forceField } from '@/core/force/forceParameters';
import { EFFECTS, type Effect } from '@/core/force/effects';
import { gridValue } from '@/core/response/menuSchema';
import { Chart } from '@/ui/Chart';
import { Table } from '@/ui/Table';
import type { ChartPalette } from '@/ui/chartTheme';
import type { BookView } from '@/book/model/bookView';
import type { DraftSettings } from '@/parts/useDraftSettings';
import { percent } from '@/core/text/percent';
import { cueOption } from './forceChart';
import type { ForceState } from './useForce';

/** Every effect against the tyres, stretch by stretch, and what the rim says of the front's grip. */
export function BalancePicture({
  view,
  draft,
  force,
}: {
  view: BookView;
  draft: DraftSettings;
  force: ForceState;
}) {
  const { balance, cue } = force.report!;
  const build = useCallback((palette: ChartPalette) => cueOption(cue, palette), [cue]);
  return (
    <div className="grid max-w-4xl gap-x-6 gap-y-4 xl:grid-cols-[3fr_2fr]">
      <div>
        <MaskTable view={view} draft={draft} balance={balance} />
        <Presets view={view} draft={draft} />
      </div>
      <div>
        <div className="h-56">
          <Chart
            className="h-full"
            build={build}
            label="Grip of the fronts and torque at the rim over their slip"
            fileName="grip-cue"
            table={{
              columns: ['slip °', 'grip %', 'rim %'],
              rows: cue.curve.map(({ slipDeg, side, torque }) => [
                slipDeg.toFixed(1),
                (100 * side).toFixed(0),
                (100 * torque).toFixed(0),
              ]),
            }}
          />
        </div>
        <p className="text-sm text-muted">
          The rim is strongest at {percent(cue.lead)} of the grip and {percent(cue.drop)} lighter when grip
          ends.
        </p>
      </div>
    </div>
  );
}

function MaskTable({
  view,
  draft,
  balance,
}: {
  view: BookView;
  draft: DraftSettings;
  balance: StretchBalance[];
}) {
  const offered = EFFECTS.flatMap((effect) => {
    const found = forceField(view.menus, draft.values, 'title', effectParameter(effect));
    return found ? [{ effect, found, label: found.field.label }] : [];
  });
  const inUse = offered.filter(({ found }) => found.canonical > 0);
  const mute = (some: typeof offered) => {
    for (const { found } of some) draft.attempt(found.key, gridValue(found.field, 0));
  };
  if (inUse.length === 0)
    return <p className="self-center text-muted">No effect is on: the tyres alone are at the rim.</p>;
  return (
    <Table
      label="Strength of the tyres and of each effect, of full scale"
      caption={
        <span className="text-sm text-muted">
          Strength of the tyres and of each effect, % of full scale (RMS); bold where it hides them
        </span>
      }
      rows={balance}
      keyOf={(row) => row.stretch}
      fileName="balance"
      isInOrder
      columns={[
        { head: 'stretch', value: (row) => row.stretch, isRowHead: true },
        { head: 'tyres', value: (row) => 100 * row.main, view: (row) => percent(row.main), isFigure: true },
        ...inUse.map(({ effect, label, found }) => ({
          head: label,
          headView: (
            <>
              {label}
              <span className="flex justify-end gap-2">
                <Tried name={`${label} off`} onClick={() => mute([{ effect, label, found }])}>
                  off
                </Tried>
                {inUse.length > 1 && (
                  <Tried
                    name={`${label} only`}
                    onClick={() => mute(inUse.filter((other) => other.effect !== effect))}
                  >
                    only
                  </Tried>
                )}
              </span>
            </>
          ),
          value: (row: StretchBalance) => ofFullScale(row, effect),
          view: (row: StretchBalance) => <Mask row={row} effect={effect} />,
          isFigure: true,
        })),
      ]}
    />
  );
}

/** Ways to begin; tried like a slider. */
function Presets({ view, draft }: { view: BookView; draft: DraftSettings }) {
  const take = ({ shares }: EffectPreset) => {
    for (const effect of EFFECTS) {
      const found = forceField(view.menus, draft.values, 'title', effectParameter(effect));
      if (found) draft.attempt(found.key, gridValue(found.field, shares[effect] ?? 0));
    }
  };
  return (
    <p className="mt-2 flex flex-wrap items-baseline gap-x-4 text-sm text-muted">
      Begin with
      {EFFECT_PRESETS.map((preset) => (
        <button
          key={preset.name}
          type="button"
          title={preset.why}
          onClick={() => take(preset)}
          className="min-h-9 cursor-pointer text-[15px] font-medium text-ink underline underline-offset-4"
        >
          {preset.name}
        </button>
      ))}
    </p>
  );
}

/** Mutes for a moment: it is tried, and kept or put back like any other change. */
function Tried({ name, onClick, children }: { name: string; onClick(): void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      aria-label={name}
      onClick={onClick}
      className="min-h-8 cursor-pointer text-ink underline underline-offset-4"
    >
      {children}
    </button>
  );
}

/** Everything in the table is a share of full scale; against the tyres it is judged. */
const ofFullScale = ({ main, mask }: StretchBalance, effect: Effect) => {
  const ratio = mask[effect];
  return ratio === null ? null : 100 * ratio * main;
};

function Mask({ row, effect }: { row: StretchBalance; effect: Effect }) {
  const ratio = row.mask[effect];
  const isLoud = ratio !== null && ratio >= MASKS_FROM;
  const share = ofFullScale(row, effect);
  return (
    <span
      className={isLoud ? 'font-bold' : ''}
      title={ratio === null ? undefined : `${percent(ratio)} of the tyres’ own force`}
    >
      {share === null ? '–' : percent(share / 100)}
    </span>
  );
}
