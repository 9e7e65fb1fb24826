'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { SIMULATED_RIGS, type SimulatedRigSpec } from '@/catalog/simulatedRigs';
import { watchAnyHold } from '@/devices/assignment';
import { placeName } from '@/devices/readings';
import { shortName } from '@/devices/realDevice';
import { Button } from '@/ui/Button';
import { Notices } from '@/ui/notices';
import { Pebble } from '@/ui/Pebble';
import { DRIVE_WORDS, SENSOR_WORDS } from '@/words/hardware';
import { changeCombination } from '@/book/write/settings';
import { makeRig } from '@/book/write/rigs';
import { useMover } from '@/live/useMover';
import { OwnRigForm } from './OwnRigForm';
import { notifyReply } from '@/parts/notifyReply';

/** The first screen of an empty book: which rig is this, what is driven on it, and what for? */
export function StartStation({
  rigs,
  titles,
  cars,
}: Record<'rigs' | 'titles' | 'cars', { id: string; name: string }[]>) {
  const router = useRouter();
  const { first: mover } = useMover(true);
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    const wasHeld = watchAnyHold();
    let frame = requestAnimationFrame(function look() {
      if (wasHeld(performance.now())) router.push('/seat');
      else frame = requestAnimationFrame(look);
    });
    return () => cancelAnimationFrame(frame);
  }, [router]);
  const go = async (make: Promise<Parameters<typeof notifyReply>[0]>, to: string) => {
    setBusy(true);
    if (notifyReply(await make)) router.push(to);
    setBusy(false);
  };
  const simulate = (rig: SimulatedRigSpec) => {
    const known = rigs.find((r) => r.name === rig.name);
    return go(
      known
        ? changeCombination({ rigId: known.id })
        : makeRig({ name: rig.name, device: { kind: 'simulated', rig: rig.id } }),
      '/axes',
    );
  };
  return (
    <main className="mx-auto max-w-5xl px-6 py-8">
      <p className="flex items-center gap-3 font-bold">
        <Pebble kind="plain" shape={1} size={26} /> Pebble Road
      </p>
      <h1 className="mt-8 text-3xl font-bold">
        {mover ? 'There it is. Is that your brake?' : 'Press any pedal'}
      </h1>
      <p className="mt-2 max-w-2xl text-lg text-muted">
        {mover
          ? `${placeName(mover.place)} of ${shortName(mover.device)} moved over ${Math.round(100 * mover.moved)} % of its range.`
          : 'Best the brake, once to its stop and back: the browser shows a wheel or pedal set only after something on it has moved.'}
      </p>
      <div className="mt-8 grid gap-10 md:grid-cols-2">
        <section aria-labelledby="own-rig">
          <h2 id="own-rig" className="border-b border-line pb-2 font-bold">
            Your own rig
          </h2>
          <p className="mt-4 text-muted">
            From the seat: each axis is found by moving it, then everything is checked and measured. No mouse,
            no keyboard, about ten minutes. Hold any pedal down for a second and let go: it begins.
          </p>
          <Link
            href="/seat"
            className="mt-3 inline-flex min-h-11 items-center rounded-lg bg-lichen px-4 text-[15px] font-semibold text-on-lichen hover:brightness-110"
          >
            Begin from the seat
          </Link>
          <OwnRigForm mover={mover} titles={titles} cars={cars} />
        </section>
        <section aria-labelledby="no-rig">
          <h2 id="no-rig" className="border-b border-line pb-2 font-bold">
            No rig at hand
          </h2>
          <p className="mt-4 text-muted">
            Simulated rigs behave like a hand and foot on real hardware: noise, wear and all.
          </p>
          <ul>
            {SIMULATED_RIGS.map((rig) => (
              <li key={rig.id} className="flex items-center justify-between gap-4 border-b border-line py-3">
                <span>
                  <span className="block font-semibold">{rig.name}</span>
                  <span className="text-sm text-muted">
                    {DRIVE_WORDS[rig.spec.base.drive]}, {rig.spec.base.torqueNm} N·m; brake:{' '}
                    {SENSOR_WORDS[rig.spec.pedals.brake ?? 'unknown'].toLowerCase()}
                  </span>
                </span>
                <Button disabled={busy} onClick={() => void simulate(rig)} aria-label={`Take ${rig.name}`}>
                  Take it
                </Button>
              </li>
            ))}
          </ul>
        </section>
      </div>
      <p className="mt-10 max-w-2xl border-l-4 border-rust pl-4 text-[15px]">
        A wheel turns by itself when its power comes on, and a strong one can hurt: fixings and quick release
        checked, hands clear, wall power last, the stop button in reach. The maker&apos;s manual decides over
        us.
      </p>
      <Notices />
    </main>
  );
}
