import type { Things } from '@/core/formats/thingsJson';

interface Own<T> {
  id: string;
  document: T;
}

/** Everything that the driver described, whole. */
export interface OwnThings {
  titles: Own<Things['titles'][number]>[];
  cars: Own<Things['cars'][number]>[];
  roads: Own<Things['roads'][number]>[];
  base: Things['base'];
}
