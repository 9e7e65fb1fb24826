'use client';

import { useMemo, useState } from 'react';
import { checkChange } from '@/core/settings/menus';
import {
  changedBetween,
  keyOfText,
  keyText,
  type SettingKey,
  type SettingValue,
  type SettingValues,
} from '@/core/settings/setting';
import { useKeys } from '@/ui/useKeys';
import type { BookView } from '@/book/model/bookView';
import { applyChanges } from '@/book/write/settings';
import { settingName } from '@/book/judge/trail';
import { notifyReply } from './notifyReply';
import { type Draft, withDraft } from '@/core/settings/withDraft';

interface DraftChange {
  key: SettingKey;
  from: SettingValue | null;
  to: SettingValue | null;
}

/** Values that are tried and not kept yet: the picture follows them, the book does not. */
export interface DraftSettings {
  values: SettingValues;
  changed: DraftChange[];
  /** Takes a value if its menu does; `null` takes it away. */
  attempt(key: SettingKey, to: SettingValue | null): void;
  /** What is to be said before it is kept; `null` where nothing is. */
  caution: string | null;
  /** Whether the caution was said: the next keep keeps. */
  isSaid: boolean;
  /** Keeps it; where there is a caution that was not said yet, says it instead.
   * @param forEveryone whether it holds for every driver of the rig */
  keep(forEveryone?: boolean): Promise<void>;
  reset(): void;
}

const NO_CAUTION = () => null;

/**
 * @param why what is written on the trail for a change that is kept
 * @param cautionOf what is to be said before these values are kept
 */
export function useDraftSettings(
  view: BookView,
  why: string,
  cautionOf: (values: SettingValues) => string | null = NO_CAUTION,
): DraftSettings {
  const [tried, setTried] = useState<Draft>({});
  const [said, setSaid] = useState<string | null>(null);
  const values = useMemo(() => withDraft(view.settings, tried), [view.settings, tried]);
  const changed = changedBetween(view.settings, values).map((text) => ({
    key: keyOfText(text),
    from: view.settings[text] ?? null,
    to: values[text] ?? null,
  }));
  const caution = changed.length === 0 ? null : cautionOf(values);
  const isSaid = caution !== null && said === caution;
  const reset = () => {
    setTried({});
    setSaid(null);
  };
  const keep = async (forEveryone = false) => {
    if (caution !== null && !isSaid) return setSaid(caution);
    const reply = await applyChanges(
      changed.map(({ key, from, to }) => ({ ...key, to, seen: from, why, forEveryone })),
    );
    const names = changed.map((change) => settingName(view, change.key)).join(', ');
    if (notifyReply(reply, `${names}: on the trail`)) reset();
  };
  useKeys(
    changed.length === 0
      ? {}
      : {
          k: () => void keep(),
          u: (event) => {
            event.preventDefault();
            reset();
          },
        },
  );
  return {
    values,
    changed,
    caution,
    isSaid,
    // Several attempts in one go build on each other: each is checked against those before it.
    attempt: (key, to) =>
      setTried((now) =>
        checkChange(view.menus, withDraft(view.settings, now), key, to).ok
          ? { ...now, [keyText(key)]: to }
          : now,
      ),
    keep,
    reset,
  };
}
