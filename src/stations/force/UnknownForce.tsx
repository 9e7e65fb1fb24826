'use client';

import type { BookView } from '@/book/model/bookView';
import { KeepStep } from '@/parts/KeepStep';
import { useDraftSettings } from '@/parts/useDraftSettings';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
import { OtherSliders } from './ForceSliders';

/** A title of which nobody described the force: no figure at all, and the shortest ways to one. */
export function UnknownForce({ view }: { view: BookView }) {
  const draft = useDraftSettings(view, 'Set by hand in Force.', () => null);
  const { title } = view.names;
  return (
    <StationPage
      finding={`Nothing is known yet of the force of ${title}`}
      subtitle="So no figure of it stands here: not its clipping, not its weight, not what the rim does."
      next={
        <>
          <KeepStep view={view} draft={draft} />
          <NextStep
            title={`Describe the force of ${title}`}
            actions={
              <LinkButton href={`/translate/describe?of=title&id=${view.title.id}`}>Describe it</LinkButton>
            }
          >
            Its gain, with its range and where it comes; minimum force, damper and effects where it has them.
            Two minutes with its menu beside this page.
          </NextStep>
          <NextStep title="Or log it" actions={<LinkButton href="/ride">Bring in a log</LinkButton>}>
            A log with the force signal tells its clipping and the gain that suits it, whatever the title.
          </NextStep>
          <NextStep
            title="The base, measured by hand"
            actions={<LinkButton href="/base">Measure it</LinkButton>}
          >
            Friction and inertia are the base’s own and need no title.
          </NextStep>
        </>
      }
    >
      <ul className="max-w-2xl border-t border-line text-[15px]">
        {OPENS.map(([needs, figure]) => (
          <li key={figure} className="flex flex-wrap justify-between gap-x-4 border-b border-line py-2">
            <span>{figure}</span>
            <span className="text-muted">{needs}</span>
          </li>
        ))}
      </ul>
      <OtherSliders view={view} draft={draft} />
    </StationPage>
  );
}

/** Which part of the description opens which figure. */
const OPENS: readonly [needs: string, figure: string][] = [
  ['gain', 'Clipping, headroom and the gain that suits the car'],
  ['gain, and the base’s strength', 'Weight in corners, what a crash can do'],
  ['minimum force', 'How much lifts over the friction and stays still'],
  ['damper, spring, what the base lets through', 'What a let-go rim does, and the least damper'],
  ['road, kerbs, slip and the like', 'Which effect is heard and which is masked'],
];
