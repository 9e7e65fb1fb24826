import { BUTTON_KINDS, RIM_SPOTS, type ButtonKind, type RimButton, type RimSpot } from '@/core/rig/rimButton';
import { Table } from '@/ui/Table';
import { KIND_WORDS, reachSaid } from '@/words/buttons';

const CELL = 'h-11 w-full min-w-28 rounded-lg border border-line bg-raised px-2 text-[15px]';

/** The rim's own buttons, a row each: what it is called, where it lies, how long it takes. */
export function ButtonTable({
  buttons,
  isConsole,
  onChange,
}: {
  buttons: readonly RimButton[];
  isConsole: boolean;
  onChange(buttons: RimButton[]): void;
}) {
  const change = (index: number, next: Partial<RimButton>) =>
    onChange(buttons.map((one) => (one.index === index ? { ...one, ...next } : one)));
  const nameOf = (index: number) => buttons.find((one) => one.index === index)?.name ?? `${index + 1}`;
  return (
    <Table
      label="Buttons of the rim"
      rows={buttons}
      keyOf={({ index }) => String(index)}
      isInOrder
      fileName="buttons"
      columns={[
        { head: 'No.', value: ({ index }) => index + 1, isRowHead: true },
        {
          head: 'Called',
          value: ({ name }) => name,
          view: ({ index, name }) => (
            <input
              aria-label={`Button ${index + 1} is called`}
              className={CELL}
              maxLength={40}
              value={name}
              onChange={(event) => change(index, { name: event.target.value })}
            />
          ),
        },
        {
          head: 'Lies',
          value: ({ spot }) => RIM_SPOTS[spot].word,
          view: ({ index, spot }) => (
            <select
              aria-label={`Button ${index + 1} lies`}
              className={`${CELL} min-w-48`}
              value={spot}
              onChange={(event) => change(index, { spot: event.target.value as RimSpot })}
            >
              {Object.entries(RIM_SPOTS).map(([id, { word }]) => (
                <option key={id} value={id}>
                  {word}
                </option>
              ))}
            </select>
          ),
        },
        {
          head: 'Is a',
          value: ({ kind }) => KIND_WORDS[kind],
          view: ({ index, kind }) => (
            <select
              aria-label={`Button ${index + 1} is a`}
              className={CELL}
              value={kind}
              onChange={(event) => change(index, { kind: event.target.value as ButtonKind })}
            >
              {BUTTON_KINDS.map((id) => (
                <option key={id} value={id}>
                  {KIND_WORDS[id]}
                </option>
              ))}
            </select>
          ),
        },
        { head: 'Reach', value: reachSaid, isFigure: true },
        // Before the first slip of a capture nothing stands in it.
        ...(buttons.some(({ hitInstead }) => hitInstead.length > 0)
          ? [
              {
                head: 'Hit instead',
                value: ({ hitInstead }: RimButton) => [...new Set(hitInstead)].map(nameOf).join(', '),
                className: 'text-sm',
              },
            ]
          : []),
        ...(isConsole
          ? [
              {
                head: 'Arrives',
                value: ({ passes }: RimButton) => (passes ? 'yes' : 'no'),
                view: ({ index, passes }: RimButton) => (
                  <input
                    type="checkbox"
                    className="size-5"
                    aria-label={`Button ${index + 1} arrives on the console`}
                    checked={passes}
                    onChange={(event) => change(index, { passes: event.target.checked })}
                  />
                ),
              },
            ]
          : []),
        {
          head: '',
          view: ({ index, name }) => (
            <button
              type="button"
              className="min-h-11 cursor-pointer text-sm whitespace-nowrap underline underline-offset-4"
              aria-label={`Take ${name || `button ${index + 1}`} out`}
              onClick={() => onChange(buttons.filter((one) => one.index !== index))}
            >
              take out
            </button>
          ),
        },
      ]}
    />
  );
}
