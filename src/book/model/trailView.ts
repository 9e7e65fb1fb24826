import type { Question } from '@/core/experiment/questions';
import type { RideLine } from './rideView';

export interface TrailChangeItem {
  kind: 'change';
  id: string;
  atMs: number;
  /** "Brake dead zone 0 → 4". */
  what: string;
  why: string;
  /** In force, or put back since. */
  live: boolean;
}

/** One mark on the trail. Changes are pebbles, rides are gaps of road between. */
export interface TrailRideItem extends Pick<
  RideLine,
  'id' | 'atMs' | 'mark' | 'changed' | 'counted' | 'lapTimeS'
> {
  kind: 'ride';
  /** The question that it was ridden for; most rides are for none, and carry nothing. */
  asked?: AskedRide;
}

/** A ride of a question: which of its rides, and which side. */
export interface AskedRide {
  question: Question;
  /** From 1. */
  ride: number;
  side: 'A' | 'B' | null;
}
export type TrailItem = TrailChangeItem | TrailRideItem;

/** The newest end of the trail, in time order. */
export interface TrailView {
  items: TrailItem[];
  /** How many lie before these. */
  earlier: number;
  /** The newest change in force, which may lie before these. */
  lastLive: Pick<TrailChangeItem, 'id' | 'what'> | null;
}
