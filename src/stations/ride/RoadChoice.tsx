import { useId } from 'react';
import { notifyReply } from '@/parts/notifyReply';
import { takeRoad } from '@/book/write/rides';
import type { ShownRoad } from '@/book/model/bookView';

/** Where it is driven; rides of different roads cannot be compared. */
export function RoadChoice({
  roads,
  chosen,
  isRiding,
}: {
  roads: ShownRoad[];
  chosen: string;
  isRiding: boolean;
}) {
  const id = useId();
  if (roads.length < 2) return null;
  return (
    <span className="mt-3 block">
      <label htmlFor={id}>On the road</label>
      <select
        id={id}
        value={chosen}
        disabled={isRiding}
        onChange={(event) => void takeRoad(event.target.value).then((reply) => notifyReply(reply))}
        className="mt-1 h-11 w-full rounded-lg border border-line bg-raised px-3 text-[15px] text-ink"
      >
        {roads.map((road) => (
          <option key={road.id} value={road.id}>
            {road.name}, {(road.lengthM / 1000).toFixed(1)} km
          </option>
        ))}
      </select>
    </span>
  );
}
