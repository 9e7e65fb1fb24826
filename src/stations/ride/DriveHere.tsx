'use client';

import { useState } from 'react';
import { settingWords } from '@/book/judge/experimentWords';
import { paddleChoices, underText, type UnderPaddles } from '@/book/judge/underPaddles';
import type { BookView } from '@/book/model/bookView';
import type { RecentChange } from '@/book/model/experimentView';
import { SelectField } from '@/ui/fields';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep } from '@/ui/StationPage';
import { ShiftFields, type DriveWish } from './ShiftFields';
import { lapTime, moment } from '@/words/format';

/** Own wheel and pedals on our roads; gears and clutch by hand and foot, and a setting under the paddles while it is felt. */
export function DriveHere({
  view,
  recent,
  laps,
}: {
  view: BookView;
  recent: readonly RecentChange[];
  laps: number;
}) {
  const [paddles, setPaddles] = useState('');
  const [wish, setWish] = useState<DriveWish>({});
  const put = (more: DriveWish) => setWish({ ...wish, ...more });
  const isShifting = wish.gears === 'paddles';
  const choices = paddleChoices(view, recent);
  const asked = Object.entries({ laps, ...wish }).filter(([, value]) => value !== undefined && value !== '');
  const address = `/drive?${asked.map(([key, value]) => `${key}=${value}`).join('&')}${paddles && !isShifting ? `&${paddles}` : ''}`;
  const ghosts = view.rides
    .filter(
      ({ road, lapTimeS }) => road.kind === 'described' && road.id === view.trackId && lapTimeS !== null,
    )
    .toReversed();
  return (
    <NextStep
      title="Drive here"
      actions={
        <>
          <LinkButton href={address}>{`Drive ${laps} laps`}</LinkButton>
          <LinkButton href="/test-run">Test run</LinkButton>
          <LinkButton href="/drills">Drills</LinkButton>
          <LinkButton href="/launch">How to launch</LinkButton>
        </>
      }
    >
      {view.rig.spec.device.kind === 'simulated'
        ? 'Full screen, in real time: the simulated rig drives by itself.'
        : 'Your own wheel and pedals, full screen: a dead zone is felt in ten seconds.'}
      <details className="mt-2">
        <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
          Gears, clutch, paddles, ghost
        </summary>
        <div className="mt-1 mb-3 grid gap-2">
          <ShiftFields view={view} wish={wish} onPut={put} />
          {!isShifting && (
            <SelectField
              label="The paddles"
              isStacked
              value={paddles}
              options={[
                { value: '', name: 'do nothing' },
                ...choices.map((one) => ({ value: underText(one), name: choiceText(view, one) })),
              ]}
              onChange={setPaddles}
            />
          )}
          {ghosts.length > 0 && (
            <SelectField
              label="Ghost"
              isStacked
              value={wish.ghost ?? ''}
              options={[
                { value: '', name: 'none' },
                ...ghosts.map(({ id, atMs, lapTimeS }) => ({
                  value: id,
                  name: `${moment(atMs)}, laps of ${lapTime(lapTimeS!)}`,
                })),
              ]}
              onChange={(ghost) => put({ ghost })}
            />
          )}
          {view.buttonMap.on.reset !== undefined && (
            <p>The button that resets the car in the title puts it back on the road here too.</p>
          )}
        </div>
      </details>
    </NextStep>
  );
}

function choiceText(view: BookView, { setting, between }: UnderPaddles): string {
  const words = settingWords(view);
  if (!between) return `${setting.name}, a step up or down`;
  return `${setting.name}: ${between.map((v) => words.value(setting.key, v)).join(' or ')}`;
}
