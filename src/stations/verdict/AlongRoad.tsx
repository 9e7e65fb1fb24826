'use client';

import { useCallback, useState } from 'react';
import type { AlongCompared, PairsAlongRoad } from '@/core/experiment/alongPairs';
import type { AlongOfBoth, RoadDriven } from '@/book/model/along';
import type { RoadMap } from '@/book/model/rideTrace';
import { Choice } from '@/parts/Choice';
import { RoadLine } from '@/parts/RoadLine';
import { Chart, ChartPlace } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { useFetched } from '@/ui/useFetched';
import { ALONG_WORDS, alongSentence, clipPlaces, clipsSentence } from '@/words/along';
import { alongOption } from './alongChart';

/** A and B over distance, and where on the road they differ. @param rides names what was driven, so that it is asked anew */
export function AlongRoad({ id, rides }: { id: string; rides: number }) {
  const along = useFetched<AlongOfBoth>(`/api/experiments/along?id=${id}&rides=${rides}`);
  if (!along.value) return <ChartPlace className="h-96" of={along} />;
  const { along: compared, ...road } = along.value;
  return compared && compared.channels.length > 0 ? <Compared compared={compared} {...road} /> : null;
}

function Compared({ compared, map, places }: { compared: PairsAlongRoad } & RoadDriven) {
  const { channels, stepM, pairs, clips } = compared;
  const clipped = clips && clipsSentence(clips, stepM, places);
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
      <p className="mt-3 max-w-2xl text-[15px]">{alongSentence(channel, stepM, pairs, places)}</p>
      {clipped && <p className="mt-1 max-w-2xl text-[15px] text-muted">{clipped}</p>}
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
        {map && <DifferenceMap channel={channel} map={map} places={places} clips={clips} stepM={stepM} />}
      </div>
    </section>
  );
}

/** The road from above with its corners' numbers: thick where the band excludes nothing, marked where a side clips in most laps. */
function DifferenceMap({
  channel,
  map,
  places,
  clips,
  stepM,
}: {
  channel: AlongCompared;
  map: RoadMap;
  places: RoadDriven['places'];
  clips: PairsAlongRoad['clips'];
  stepM: number;
}) {
  const perPointM = map.lengthM / map.points.length;
  const at = (m: number) => map.points[Math.min(map.points.length - 1, Math.round(m / perPointM))]!;
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
      {clips && <ClipMarks places={clipPlaces(clips.a, stepM).map(at)} className="fill-side-a" dy={-16} />}
      {clips && <ClipMarks places={clipPlaces(clips.b, stepM).map(at)} className="fill-side-b" dy={16} />}
      {places.map(({ corner, atM }) => {
        const [x, y] = at(atM);
        return (
          <text key={corner} x={x + 22} y={-y} fontSize="52" className="fill-muted" dominantBaseline="middle">
            {corner}
          </text>
        );
      })}
    </RoadLine>
  );
}

function ClipMarks({ places, className, dy }: { places: [number, number][]; className: string; dy: number }) {
  return places.map(([x, y]) => <circle key={`${x} ${y}`} cx={x} cy={-y + dy} r="9" className={className} />);
}
