'use client';

import { useState } from 'react';
import type { CarriedAxis, CarriedItem } from '@/core/settings/transferSettings';
import { menuField } from '@/core/settings/menus';
import { keyText } from '@/core/settings/setting';
import { AXIS_WORDS } from '@/core/axes/axes';
import { Button } from '@/ui/Button';
import type { BookView } from '@/book/model/bookView';
import { applyChanges } from '@/book/write/settings';
import { heavierCaution } from '@/book/judge/force';
import { changeText, settingName } from '@/book/judge/trail';
import { percent } from '@/core/text/percent';
import { termBeside, termOf } from '@/words/standardTerm';
import { notifyReply } from './notifyReply';

const LAYER_WORDS = { base: 'on the base', title: 'in the title', car: 'of the car' } as const;
/** A gap that no foot feels. */
const GAP_COUNTS = 0.005;

/** What would change here, item by item, with what cannot be said here; the driver takes what is wanted. */
export function CarriedList({ view, carried, why }: { view: BookView; carried: CarriedAxis[]; why: string }) {
  // Ticked is what is known to mean the same here; the rest waits for the driver.
  const [toggled, setToggled] = useState<ReadonlySet<string>>(new Set());
  const items = carried.flatMap((axis) => axis.items);
  const isChosen = ({ key, doubt }: CarriedItem) => (doubt === null) !== toggled.has(keyText(key));
  const chosen = items.filter(isChosen);
  const caution = heavierCaution(view, {
    ...view.settings,
    ...Object.fromEntries(chosen.map(({ key, to }) => [keyText(key), to])),
  });
  const toggle = (item: CarriedItem) => {
    const text = keyText(item.key);
    setToggled((now) => {
      const next = new Set(now);
      if (!next.delete(text)) next.add(text);
      return next;
    });
  };
  const take = async () =>
    notifyReply(
      await applyChanges(chosen.map(({ key, from, to }) => ({ ...key, to, seen: from, why }))),
      `${chosen.length} ${chosen.length === 1 ? 'change is' : 'changes are'} on the trail`,
    );
  const notes = carried.flatMap(notesOf);
  return (
    <div>
      {items.length === 0 && <p className="py-3 text-muted">Nothing would change here.</p>}
      <ul aria-label="What would change">
        {items.map((item) => (
          <li key={keyText(item.key)} className="border-b border-line">
            <label className="flex min-h-11 cursor-pointer items-center gap-3 py-1 text-[15px]">
              <input
                type="checkbox"
                className="h-5 w-5 shrink-0 accent-(--lichen)"
                checked={isChosen(item)}
                onChange={() => toggle(item)}
              />
              <span className="grow">
                {settingName(view, item.key)}
                <Beside view={view} settingKey={item.key} />
                {item.isTranslated && <span className="text-muted"> translated</span>}
                {item.doubt !== null && (
                  <span className="block text-sm text-rust">Not sure: {item.doubt}</span>
                )}
              </span>
              <span className="shrink-0 font-mono text-sm whitespace-nowrap">{changeText(view, item)}</span>
            </label>
          </li>
        ))}
      </ul>
      {notes.length > 0 && (
        <ul aria-label="What cannot be said here" className="mt-2 text-sm text-rust">
          {notes.map((note) => (
            <li key={note} className="py-1">
              {note}
            </li>
          ))}
        </ul>
      )}
      {chosen.length > 0 && caution && <p className="mt-2 text-sm text-rust">{caution}</p>}
      {items.length > 0 && (
        <Button look="next" className="mt-3" disabled={chosen.length === 0} onClick={() => void take()}>
          Take {chosen.length} of {items.length} over
        </Button>
      )}
    </div>
  );
}

/** What the field calls it, small. */
function Beside({ view, settingKey }: { view: BookView; settingKey: CarriedItem['key'] }) {
  const field = menuField(view.menus, settingKey);
  const term = field && termBeside(field);
  return term ? <span className="text-sm text-muted"> ({term})</span> : null;
}

function notesOf({ layer, axis, maxError, atTravel, notExpressible }: CarriedAxis): string[] {
  const name = AXIS_WORDS[axis].replace(/^./, (c) => c.toUpperCase());
  return [
    ...notExpressible.map(
      ({ parameter, why }) => `${name} ${termOf(parameter) ?? parameter} ${LAYER_WORDS[layer]}: ${why}`,
    ),
    ...(maxError > GAP_COUNTS
      ? [
          `${name} ${LAYER_WORDS[layer]}: up to ${percent(maxError, 1)} off, at ${percent(atTravel)} of travel.`,
        ]
      : []),
  ];
}
