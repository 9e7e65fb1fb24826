'use client';

import Link from 'next/link';
import type { DescribedThings } from '@/book/model/describedThings';
import type { BookView } from '@/book/model/bookView';
import { CarForm } from './CarForm';
import { MenuStation } from './MenuStation';
import { RoadForm } from './RoadForm';
import { SUBJECTS, type Subject } from './subject';

interface Props {
  view: BookView;
  subject: Subject;
  things: DescribedThings;
  /** The own title, car or road that is described anew; a new one where it is not said. */
  id: string | null;
  /** The ride whose road is to be read at once. */
  rideId: string | null;
}

/** A title, a car, a road or a base of one's own: what nobody knows of it stays open. */
export function DescribeStation({ view, subject, things, id, rideId }: Props) {
  const tabs = <Tabs view={view} subject={subject} things={things} id={id} />;
  if (subject === 'road') return <RoadForm view={view} road={things.road} tabs={tabs} rideId={rideId} />;
  if (subject === 'car') return <CarForm view={view} car={things.car} tabs={tabs} />;
  return <MenuStation view={view} of={subject} things={things} title={things.title} tabs={tabs} />;
}

/** What can be described, and what of one's own already is. */
function Tabs({ view, subject, things, id }: Omit<Props, 'rideId'>) {
  const names: Record<Subject, string> = {
    title: 'A title',
    car: 'A car',
    road: 'A road',
    base: `The ${view.rig.name}’s base`,
  };
  // An id that is none of one's own begins something new.
  const { own, open } = {
    title: { own: things.titles, open: things.title },
    car: { own: things.cars, open: things.car },
    road: { own: things.roads, open: things.road },
    base: { own: [], open: null },
  }[subject];
  const isAnew = open !== null;
  const tab = (href: string, name: string, isHere: boolean) => (
    <Link
      key={href}
      href={href}
      aria-current={isHere ? 'page' : undefined}
      className={`flex min-h-11 items-center border-b-3 text-[15px] ${isHere ? 'border-ink font-bold' : 'border-transparent text-muted hover:text-ink'}`}
    >
      {name}
    </Link>
  );
  return (
    <nav aria-label="What is described" className="mb-3 flex flex-wrap gap-x-4 border-b border-line">
      {SUBJECTS.map((one) => tab(`/translate/describe?of=${one}`, names[one], one === subject && !isAnew))}
      {own.length > 0 && <span className="ml-auto flex items-center text-sm text-muted">Anew:</span>}
      {own.map((one) => tab(`/translate/describe?of=${subject}&id=${one.id}`, one.name, one.id === id))}
    </nav>
  );
}
