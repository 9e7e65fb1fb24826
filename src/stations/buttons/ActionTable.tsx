import { ACTION_IDS, ACTIONS, whenOf, type ActionId, type When } from '@/core/buttons/actions';
import type { ButtonMap } from '@/core/buttons/buttonMap';
import type { RimButton } from '@/core/rig/rimButton';
import { Table } from '@/ui/Table';
import { capital } from '@/words/format';

const WHEN_WORDS: Record<When, string> = {
  'mid-corner': 'in mid-corner',
  lap: 'about once a lap',
  sometimes: 'now and then',
  rarely: 'hardly ever',
};

const ROWS = ACTION_IDS.map((id) => ({ id }));

/** What the title lets one do by a button, and where it lies. */
export function ActionTable({
  buttons,
  map,
  onChange,
}: {
  buttons: readonly RimButton[];
  map: ButtonMap;
  onChange(map: ButtonMap): void;
}) {
  const has = (id: ActionId) => map.on[id] !== undefined;
  const put = (id: ActionId, text: string) => {
    const on = { ...map.on };
    if (text === 'none') delete on[id];
    else on[id] = text === '' ? null : Number(text);
    onChange({ ...map, on });
  };
  return (
    <Table
      label="What the buttons do"
      rows={ROWS}
      keyOf={({ id }) => id}
      isInOrder
      columns={[
        {
          head: 'In the title',
          value: ({ id }) => capital(ACTIONS[id].word),
          isRowHead: true,
          className: 'font-semibold',
        },
        {
          head: 'Wanted',
          value: ({ id }) =>
            ACTIONS[id].isDangerous && whenOf(id, map.isPractice) !== 'lap'
              ? 'never by accident'
              : WHEN_WORDS[whenOf(id, map.isPractice)],
          className: 'text-sm text-muted',
        },
        {
          head: 'Lies on',
          view: ({ id }) => (
            <select
              aria-label={`${capital(ACTIONS[id].word)} lies on`}
              className="h-11 w-48 rounded-lg border border-line bg-raised px-2 text-[15px]"
              value={has(id) ? String(map.on[id] ?? '') : 'none'}
              onChange={(event) => put(id, event.target.value)}
            >
              <option value="none">the title has it not</option>
              <option value="">no button</option>
              {buttons.map(({ index, name }) => (
                <option key={index} value={index}>
                  {name}
                </option>
              ))}
            </select>
          ),
        },
        {
          head: 'Held',
          view: ({ id }) =>
            ACTIONS[id].isDangerous && (
              <input
                type="checkbox"
                className="size-5"
                aria-label={`${capital(ACTIONS[id].word)} has to be held`}
                checked={map.held.includes(id)}
                onChange={(event) =>
                  onChange({
                    ...map,
                    held: event.target.checked ? [...map.held, id] : map.held.filter((other) => other !== id),
                  })
                }
              />
            ),
        },
      ]}
    />
  );
}
