'use client';

import { useCallback, useState } from 'react';
import type { AlongCompared, PairsAlongRoad } from '@/core/experiment/alongPairs';
import type { RoadMap } from '@/book/model/rideTrace';
import { Choice } from '@/parts/Choice';
import { RoadLine } from '@/parts/RoadLine';
import { Chart, ChartPlace } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { useFetched } from '@/ui/useFetched';
import { ALONG_WORDS, alongSentence } from '@/words/along';
import { alongOption } from './alongChart';

/** A and B over distance, and where on the road they differ. @param rides names what was driven, so that it is asked anew */
export function AlongRoad({ id, rides, map }: { id: string; rides: number; map: RoadMap }) {
  const along = useFetched<{ along: PairsAlongRoad | null }>(
    `/api/experiments/along?id=${id}&rides=${rides}`,
  );
  if (!along.value) return <ChartPlace className="h-96" of={along} />;
  const { along: compared } = along.value;
  return compared && compared.channels.length > 0 ? <Compared compared={compared} map={map} /> : null;
}

function Compared({ compared, map }: { compared: PairsAlongRoad; map: RoadMap }) {
  const { channels, stepM, pairs } = compared;
  const [name, setName] = useState(
    channels.find(({ shown }) => shown.length > 0)?.channel ?? channels[0]!.channel,
  );
  const channel = channels.find((one) => one.channel === name) ?? channels[0]!;
  const { label, unit, times, digits } = ALONG_WORDS[channel.channel];
  const build = useCallback(
    (palette: ChartPalette) => alongOption(channel, stepM, palette),
    [channel, stepM],
  );
  const text = (v: number | undefined) => (v === undefined ? '' : (times * v).toFixed(digits));
  return (
    <section aria-label="Along the road" className="mt-8">
      <h2 className="border-b border-line pb-2 font-bold">Along the road</h2>
      <div role="group" aria-label="What is shown" className="mt-3 flex flex-wrap gap-2">
        {channels.map((one) => (
          <Choice
            key={one.channel}
            isOn={one.channel === channel.channel}
            onClick={() => setName(one.channel)}
          >
            {ALONG_WORDS[one.channel].label}
          </Choice>
        ))}
      </div>
      <p className="mt-3 max-w-2xl text-[15px]">{alongSentence(channel, stepM, pairs)}</p>
      <div className="mt-2 grid gap-6 lg:grid-cols-[1fr_16rem]">
        <Chart
          className="h-96"
          build={build}
          label={`${label} of A and B over distance, and their difference`}
          fileName={`along-${channel.channel}`}
          table={{
            columns: ['distance m', `A ${unit}`, `B ${unit}`, `B − A ${unit}`, 'band from', 'band to'],
            rows: channel.a.map((v, i) => [
              String(i * stepM),
              text(v),
              text(channel.b[i]),
              text(channel.difference[i]),
              text(channel.low?.[i]),
              text(channel.high?.[i]),
            ]),
          }}
        />
        <DifferenceMap channel={channel} map={map} />
      </div>
    </section>
  );
}

/** The road from above; where the band excludes nothing it is drawn thick. */
function DifferenceMap({ channel, map }: { channel: AlongCompared; map: RoadMap }) {
  const perPointM = map.lengthM / map.points.length;
  const { label } = ALONG_WORDS[channel.channel];
  return (
    <RoadLine
      map={map}
      className="h-72 w-full text-line"
      label={`${map.name} from above, with ${channel.shown.length === 0 ? 'no place' : `${channel.shown.length} places`} where ${label.toLowerCase()} differs`}
    >
      {channel.shown.map(({ fromM, toM }) => {
        const from = Math.floor(fromM / perPointM);
        const points = map.points.slice(from, Math.max(from + 2, Math.ceil(toM / perPointM) + 1));
        return (
          <polyline
            key={fromM}
            points={points.map(([x, y]) => `${x.toFixed(1)},${(-y).toFixed(1)}`).join(' ')}
            fill="none"
            stroke="var(--rust)"
            strokeWidth="22"
            strokeLinecap="round"
          />
        );
      })}
    </RoadLine>
  );
}
