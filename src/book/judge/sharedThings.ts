import { differences, type Difference } from '@/core/formats/differences';
import type { Things } from '@/core/formats/thingsJson';
import type { OwnThings } from '../model/ownThings';

type ThingKind = 'title' | 'car' | 'road' | 'base';

/** One thing of a pack, and what taking it over would do to the book. */
export interface SharedThing {
  kind: ThingKind;
  name: string;
  /** The one that it would take the place of; `null` where the book has none of the name. */
  replaces: string | null;
  state: 'new' | 'same' | 'changes';
  /** What would become something else. */
  changes: Difference[];
}

const KINDS = { title: 'titles', car: 'cars', road: 'roads' } as const;

/** What a pack holds, item by item, against what the book has of the same name. */
export function sharedThings(pack: Things, own: OwnThings): SharedThing[] {
  const of = (kind: keyof typeof KINDS): SharedThing[] =>
    pack[KINDS[kind]].map((document) => {
      const { name } = document;
      const before = (own[KINDS[kind]] as { id: string; document: { name: string } }[]).find(
        (one) => one.document.name.toLowerCase() === name.toLowerCase(),
      );
      return judged(kind, name, before?.id ?? null, before?.document ?? null, document);
    });
  const base = pack.base ? [judged('base', pack.base.name, null, own.base, pack.base)] : [];
  return [...of('title'), ...of('car'), ...of('road'), ...base];
}

function judged(
  kind: ThingKind,
  name: string,
  replaces: string | null,
  before: object | null,
  after: object,
): SharedThing {
  if (before === null) return { kind, name, replaces, state: 'new', changes: [] };
  // Where it comes from is no value of it.
  const changes = differences({ ...before, origin: '' }, { ...after, origin: '' });
  return { kind, name, replaces, state: changes.length === 0 ? 'same' : 'changes', changes };
}
