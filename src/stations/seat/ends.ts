import { proofReason } from '@/core/axes/proof';
import { workedByOf } from '@/core/rig/rigSpec';
import type { BookView } from '@/book/model/bookView';
import type { GoEnd } from './task';

/** How a go through pre-flight ends. */
export function readyOrNot({ road }: Pick<BookView, 'road'>): GoEnd {
  const ready = road.find((station) => station.id === 'ready')!;
  return {
    title: ready.health === 'settled' ? 'Ready' : 'Not all of it yet',
    how: `${ready.reason}.`,
    leaveTo: '/ready',
  };
}

/** How a go ends that proves the axes: settled, or the exact reasons why not. */
export function provedOrNot({
  proof,
  names,
  axes,
  rig,
}: Pick<BookView, 'proof' | 'names' | 'axes' | 'rig'>): GoEnd {
  const leaveTo = '/axes/check';
  if (!proof) return { title: 'Not proved yet', how: 'No axis is measured so far.', leaveTo };
  const failed = proof.results.filter((result) => !result.passed);
  if (failed.length > 0)
    return {
      title: `${failed.length} did not come`,
      how: failed
        .map((result) => proofReason(result, workedByOf(rig.spec)))
        .slice(0, 3)
        .join(' '),
      leaveTo,
    };
  const missing = axes.filter((axis) => !axis.capture);
  if (missing.length > 0)
    return {
      title: 'What was measured is settled',
      how: `Not measured: ${missing.map((axis) => axis.name.toLowerCase()).join(', ')}.`,
      leaveTo,
    };
  return {
    title: `The axes of the ${names.rig} are settled`,
    how: `${proof.results.length} checks passed, signed. The trail holds what is to be typed into ${names.title}.`,
    leaveTo,
  };
}
