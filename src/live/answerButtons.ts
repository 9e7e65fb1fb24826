'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import type { RimButton } from '@/core/rig/rimButton';
import type { DeviceSource } from '@/devices/source';
import { remember, remembered } from './remembered';

/** Which buttons of the device mean yes and no. Remembered per device in this browser. */
export interface AnswerButtons {
  yes: number | null;
  no: number | null;
}

export type Answer = 'yes' | 'no';

const key = (id: string) => `pebble-answers:${id}`;
const NONE: AnswerButtons = { yes: null, no: null };
/** A simulated rig has two buttons, and comes taught. */
const SIMULATED: AnswerButtons = { yes: 0, no: 1 };

function read(id: string): AnswerButtons {
  const untaught = id.startsWith('simulated:') ? SIMULATED : NONE;
  try {
    const found = JSON.parse(remembered(key(id)) ?? 'null') as AnswerButtons | null;
    return found && typeof found === 'object'
      ? { yes: found.yes ?? null, no: found.no ?? null }
      : { ...untaught };
  } catch {
    return { ...untaught };
  }
}

const NO_BUTTONS: readonly RimButton[] = [];

/** Where nothing is taught, the right shift paddle says yes and the left one no, on a rim whose buttons are written down. */
function orPaddles(taught: AnswerButtons, rim: readonly RimButton[]): AnswerButtons {
  if (taught.yes !== null || taught.no !== null) return taught;
  const paddle = (side: 'left' | 'right') =>
    rim.find(({ kind, spot }) => kind === 'paddle' && spot.includes(side))?.index ?? null;
  return { yes: paddle('right'), no: paddle('left') };
}

/** What a simulated rig's buttons are. */
const SIMULATED_NAMES: Record<number, string> = { 0: 'right paddle', 1: 'left paddle' };
const namesKey = (id: string) => `pebble-button-names:${id}`;

/** What the driver calls the buttons of a device, by their numbers. */
function readNames(id: string): Record<string, string> {
  if (id.startsWith('simulated:')) return { ...SIMULATED_NAMES };
  try {
    const found = JSON.parse(remembered(namesKey(id)) ?? 'null') as unknown;
    if (!found || typeof found !== 'object') return {};
    return Object.fromEntries(Object.entries(found).filter(([, name]) => typeof name === 'string'));
  } catch {
    return {};
  }
}

/** The taught buttons of a device: what a press means, and how to teach one anew. */
export function useAnswerButtons(source: DeviceSource | null, rim: readonly RimButton[] = NO_BUTTONS) {
  const id = source?.info.id ?? '';
  const [version, setVersion] = useState(0);
  const [learning, setLearning] = useState<Answer | null>(null);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- read anew after every lesson
  const buttons = useMemo(() => (id ? orPaddles(read(id), rim) : NONE), [id, rim, version]);
  useEffect(() => {
    if (!learning || !source) return;
    return source.subscribe({
      button(index) {
        const other = learning === 'yes' ? 'no' : 'yes';
        const known = read(source.info.id);
        if (known[other] === index) known[other] = null;
        remember(key(source.info.id), JSON.stringify({ ...known, [learning]: index }));
        setVersion((n) => n + 1);
        setLearning(null);
      },
    });
  }, [learning, source]);
  /** What a pressed button means; any button says yes as long as none is taught. */
  const meaning = useCallback(
    (index: number): Answer | null => {
      if (learning) return null;
      if (buttons.no === index) return 'no';
      return buttons.yes === null || buttons.yes === index ? 'yes' : null;
    },
    [learning, buttons],
  );
  // eslint-disable-next-line react-hooks/exhaustive-deps -- read anew after every name
  const names = useMemo(() => (id ? readNames(id) : {}), [id, version]);
  /** A button as its driver calls it, else by its number. */
  const nameOf = useCallback(
    (index: number) => names[index] ?? rim.find((one) => one.index === index)?.name ?? `button ${index + 1}`,
    [names, rim],
  );
  const call = useCallback(
    (index: number, name: string) => {
      const names = readNames(id);
      if (name === '') delete names[index];
      else names[index] = name;
      remember(namesKey(id), JSON.stringify(names));
      setVersion((n) => n + 1);
    },
    [id],
  );
  return { buttons, learning, learn: setLearning, meaning, nameOf, call };
}

export type TaughtButtons = ReturnType<typeof useAnswerButtons>;
