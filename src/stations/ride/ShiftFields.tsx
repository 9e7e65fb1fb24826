import type { Shifting } from '@/core/driving/shifting';
import { endsBeforeLock, shiftChoices, usualHold } from '@/book/judge/shiftChoices';
import type { BookView } from '@/book/model/bookView';
import { NumberField, SelectField } from '@/ui/fields';

/** How it is to be driven, as the address of the drive says it. */
export interface DriveWish {
  gears?: Shifting['gears'];
  clutch?: Shifting['clutch'];
  hold?: number;
  assist?: '' | '1';
  ghost?: string;
}

const GEAR_WORDS: Record<Shifting['gears'], string> = {
  self: 'shift by themselves',
  paddles: 'by the paddles',
  lever: 'by the shifter',
};

const CLUTCH_WORDS: Record<Shifting['clutch'], string> = {
  self: 'works by itself',
  foot: 'by foot',
  paddles: 'by the clutch paddles',
};

/** What of gears, clutch and steering the driver does, as far as the rig has it. */
export function ShiftFields({
  view,
  wish,
  onPut,
}: {
  view: BookView;
  wish: DriveWish;
  onPut(more: DriveWish): void;
}) {
  const { gears, clutch } = shiftChoices(view);
  const gear = wish.gears ?? 'self';
  const isByHand = gear !== 'self';
  const isHeld = isByHand && wish.clutch === 'paddles' && view.rig.spec.rim.paddleMode === 'two-stage';
  return (
    <>
      {gears.length > 1 && (
        <SelectField
          label="Gears"
          isStacked
          value={gear}
          options={gears.map((value) => ({ value, name: GEAR_WORDS[value] }))}
          onChange={(to) => onPut({ gears: to })}
        />
      )}
      {isByHand && clutch.length > 1 && (
        <SelectField
          label="Clutch"
          isStacked
          value={wish.clutch ?? 'self'}
          options={clutch.map((value) => ({ value, name: CLUTCH_WORDS[value] }))}
          onChange={(to) => onPut({ clutch: to })}
        />
      )}
      {isHeld && (
        <NumberField
          label="Right clutch paddle holds"
          isStacked
          unit="%"
          value={wish.hold ?? Math.round(100 * usualHold(view))}
          onChange={(to) => onPut({ hold: Math.min(100, Math.max(1, to ?? 1)) })}
        />
      )}
      {isByHand && (wish.clutch ?? 'self') !== 'self' && (
        <p>You stand in neutral: press the clutch, then take the first gear.</p>
      )}
      {endsBeforeLock(view) && (
        <SelectField
          label="Steering"
          isStacked
          value={wish.assist ?? ''}
          options={[
            { value: '', name: 'as it is set' },
            { value: '1', name: 'helps up to the car’s lock' },
          ]}
          onChange={(to) => onPut({ assist: to })}
        />
      )}
    </>
  );
}
