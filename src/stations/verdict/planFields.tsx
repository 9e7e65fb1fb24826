import type { AskableSetting } from '@/book/judge/askable';
import { Button } from '@/ui/Button';
import { SelectField } from '@/ui/fields';

/** Choices with their name beside them. */
export function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div
      role="group"
      aria-label={label}
      className="grid gap-1 gap-x-3 sm:grid-cols-[8.5rem_1fr] sm:items-center"
    >
      <span className="text-[15px]">{label}</span>
      <span className="flex flex-wrap gap-2">{children}</span>
    </div>
  );
}

const MOST_SEARCHED = 3;

/** Up to three settings that are searched at once. */
export function MoreSettings({
  all,
  chosen,
  onChange,
}: {
  all: AskableSetting[];
  chosen: string[];
  onChange(more: string[]): void;
}) {
  const more = chosen.slice(1);
  const free = all.filter(({ key }) => !chosen.includes(key));
  return (
    <>
      {more.map((key, i) => (
        <SelectField
          key={key}
          label={`And setting ${i + 2}`}
          value={key}
          options={[
            { value: '', name: 'none' },
            ...all
              .filter((one) => one.key === key || free.includes(one))
              .map((one) => ({ value: one.key, name: one.name })),
          ]}
          onChange={(to) => onChange(more.flatMap((one, k) => (k !== i ? [one] : to === '' ? [] : [to])))}
        />
      ))}
      {chosen.length < MOST_SEARCHED && free[0] && (
        <Button className="justify-self-start" onClick={() => onChange([...more, free[0]!.key])}>
          Search another one with it
        </Button>
      )}
    </>
  );
}

/** Where values of the force are asked for, what to mind. */
export function Cautions({ texts }: { texts: readonly string[] }) {
  if (texts.length === 0) return null;
  return (
    <ul className="text-rust">
      {texts.map((text) => (
        <li key={text}>{text}</li>
      ))}
    </ul>
  );
}
