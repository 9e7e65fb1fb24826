import type { RigSpec } from '@/core/rig/rigSpec';
import { Button } from '@/ui/Button';

type Fields = RigSpec['rim']['fields'];
const USUAL = ['Rev lights from', 'Display shows', 'Rotary mode', 'Stick mode'];
const CELL = 'h-11 w-full rounded-lg border border-line bg-raised px-3 text-[15px]';

/** What else the rim shows and switches, as it shall stand on the card. */
export function RimFields({ fields, onChange }: { fields: Fields; onChange(fields: Fields): void }) {
  const change = (i: number, next: Partial<Fields[number]>) =>
    onChange(fields.map((field, k) => (k === i ? { ...field, ...next } : field)));
  const unused = USUAL.filter((label) => !fields.some((field) => field.label === label));
  return (
    <div className="mt-3 grid max-w-2xl gap-2">
      {fields.map(({ label, value }, i) => (
        <div key={i} className="grid grid-cols-[1fr_1fr_auto] items-center gap-2">
          <input
            aria-label={`Field ${i + 1} of the rim`}
            className={CELL}
            maxLength={40}
            value={label}
            onChange={(event) => change(i, { label: event.target.value })}
          />
          <input
            aria-label={`${label || `Field ${i + 1}`} is`}
            className={CELL}
            maxLength={60}
            value={value}
            onChange={(event) => change(i, { value: event.target.value })}
          />
          <Button
            look="quiet"
            aria-label={`Take ${label || `field ${i + 1}`} out`}
            onClick={() => onChange(fields.filter((_, k) => k !== i))}
          >
            take out
          </Button>
        </div>
      ))}
      <div className="flex flex-wrap items-center gap-x-4 text-sm text-muted">
        <span>Also on the card:</span>
        {[...unused, 'Something else'].map((label) => (
          <Button
            key={label}
            look="quiet"
            className="px-0"
            onClick={() =>
              onChange([...fields, { label: label === 'Something else' ? '' : label, value: '' }])
            }
          >
            {label}
          </Button>
        ))}
      </div>
    </div>
  );
}
