import { PREFLIGHT } from '@/catalog/preflight';
import { isSettled, preflight, type ItemState, type Sights } from '@/core/ready/preflight';
import { capital } from '@/words/format';
import type { BookView } from '../../model/bookView';
import type { Finding } from '../../model/stationHealth';

type Facts = Pick<BookView, 'title' | 'ready'> & {
  rig: Pick<BookView['rig'], 'spec' | 'name'>;
};

/** The server sees no device: what the software could tick itself is left out here. */
const UNSEEN: Sights = {
  'device-present': null,
  'axes-alive': null,
  'all-at-rest': null,
  'steering-centred': null,
  'rotation-as-expected': null,
};

/** What is asked of a person; what the device shows is added where there is one, and counts apart. */
export function askedItems({ rig, title, ready }: Facts): ItemState[] {
  return preflight(PREFLIGHT, rig.spec, title, ready.ticks, ready.stamp, UNSEEN).filter(
    ({ item }) => !item.sees,
  );
}

/** How far pre-flight is. */
export function readyFinding(facts: Facts): Finding {
  const { rig, ready } = facts;
  if (ready.reminder) {
    const { restoreDeg } = ready.reminder;
    const reason = `Put the rotation back${restoreDeg ? ` to ${restoreDeg}°` : ''}`;
    return { health: 'look', reason, heading: reason };
  }
  const items = askedItems(facts);
  const open = items.filter((item) => !isSettled(item));
  if (open.length === 0)
    return { health: 'settled', reason: 'All in order', heading: `The ${rig.name} is ready` };
  const left = `${open.length} ${open.length === 1 ? 'thing' : 'things'}`;
  const voided = open.find((item) => item.state === 'void');
  if (voided) {
    const reason = capital(voided.why!);
    return { health: 'look', reason, heading: `${reason}: ${left} to check again` };
  }
  return open.length === items.length
    ? { health: 'untouched', reason: `${left} to check`, heading: `${left}, then drive` }
    : {
        health: 'under-way',
        reason: `${open.length} of ${items.length} still to check`,
        heading: `${left} left of ${items.length}`,
      };
}
