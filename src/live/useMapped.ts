'use client';

import { useEffect, useRef } from 'react';
import type { ActionId } from '@/core/buttons/actions';
import type { ButtonMap } from '@/core/buttons/buttonMap';
import type { DeviceSource } from '@/devices/source';

/** What buttons do here, by what they are mapped to in the title. */
export type Mapped = Partial<Record<ActionId, () => void>>;

/** The action that a button is mapped to, of those that are done here. */
export const mappedTo = ({ on }: Pick<ButtonMap, 'on'>, done: Mapped, index: number): ActionId | null =>
  (Object.keys(done) as ActionId[]).find((action) => on[action] === index) ?? null;

/** Does what the pressed button is mapped to. */
export function useMapped(source: DeviceSource, map: Pick<ButtonMap, 'on'>, done: Mapped) {
  const latest = useRef({ map, done });
  useEffect(() => {
    latest.current = { map, done };
  });
  useEffect(
    () =>
      source.subscribe({
        button(index) {
          const action = mappedTo(latest.current.map, latest.current.done, index);
          if (action) latest.current.done[action]!();
        },
      }),
    [source],
  );
}
