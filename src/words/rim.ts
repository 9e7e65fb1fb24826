import type { HandsOffVerdict } from '@/core/force/handsOff';

/** What a let-go rim does. */
export const RIM: Record<HandsOffVerdict, string> = {
  settles: 'comes home',
  sticks: 'stays where friction holds it',
  rings: 'rings',
  saws: 'saws by itself',
};
