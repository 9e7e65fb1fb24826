'use client';

import { useState } from 'react';
import Link from 'next/link';
import { CAUTIONS } from '@/catalog/cautions';
import { assumedOf } from '@/core/force/chainOf';
import { isForceDescribed } from '@/core/force/forceParameters';
import { STRONG_NM } from '@/core/rig/rigSpec';
import type { BookView } from '@/book/model/bookView';
import { KeepStep } from '@/parts/KeepStep';
import { rideBasis } from '@/book/judge/basis';
import { roadMap } from '@/book/judge/roadMap';
import { trackOf } from '@/book/judge/trackOf';
import { StationPage } from '@/ui/StationPage';
import { useDraftSettings, type DraftSettings } from '@/parts/useDraftSettings';
import { BalancePicture } from './BalancePicture';
import { CalmPicture } from './CalmPicture';
import type { CarSide } from '@/book/model/carSide';
import type { CarLog } from '@/book/model/rideView';
import { carLogsOf } from './carLogs';
import { CarsTable } from './CarsTable';
import { CouplingPicture } from './CouplingPicture';
import { FeelsPanel, FeelsStep } from './FeelsPanel';
import { ForceAdviceSteps } from './ForceAdviceSteps';
import { ForceFigures } from './ForceFigures';
import { crashCaution, heavierCaution } from '@/book/judge/force';
import { panelFinding } from '@/book/judge/forcePanel';
import { findingOf } from '@/book/judge/road/roadHealth';
import { ForceSliders, OtherSliders } from './ForceSliders';
import { UnknownForce } from './UnknownForce';
import { ListenPanel } from './ListenPanel';
import { LogPartsFacts } from './LogPartsFacts';
import { PANEL_NAMES, PANELS, type Panel } from '@/words/forcePanels';
import { StrengthPanel, WantedWeight } from './StrengthPanel';
import { reportOn, useLoggedRide, type LoggedForce } from './useLoggedRide';
import { SmoothPicture } from './SmoothPicture';
import { useForce, type ForceState } from './useForce';

interface Props {
  view: BookView;
  /** The other cars of the title. */
  sides: CarSide[];
  /** The newest log of each car that has one with its force. */
  logs: CarLog[];
  part: Panel;
  /** The feeling that one came with. */
  like: string | null;
}

/** Force: the signal seen, set and kept stable, on a ride of this car through this base. */
export function ForceStation(props: Props) {
  return isForceDescribed(props.view.menus) ? <KnownForce {...props} /> : <UnknownForce view={props.view} />;
}

function KnownForce({ view, sides, logs, part, like }: Props) {
  const [panel, setPanel] = useState(part);
  const asked = `${part}/${like ?? ''}`;
  const [cameFor, setCameFor] = useState(asked);
  // A command may ask for another part while the station stands.
  if (cameFor !== asked) {
    setCameFor(asked);
    setPanel(part);
  }
  const show = (one: Panel) => {
    setPanel(one);
    window.history.replaceState(null, '', `/force?part=${one}`);
  };
  const draft = useDraftSettings(view, 'Set by hand in Force.', (values) => heavierCaution(view, values));
  const force = useForce(view, draft.values);
  const tried = { ...view, settings: draft.values };
  const logged = useLoggedRide(view, force);
  const report = reportOn(force.report, logged.report);
  const kept = findingOf(view, 'force');
  // What is kept is said as the road says it, on the first of the parts; each other part speaks of itself.
  const isOfTheRoad = panel === 'strength' && draft.changed.length === 0 && kept.health !== 'untouched';
  return (
    <StationPage
      finding={
        isOfTheRoad
          ? kept.heading
          : (panelFinding(panel, tried, { ...force, report }) ??
            `The force of the ${view.names.car} on the ${view.names.rig}`)
      }
      subtitle={
        kept.health === 'look' && !isOfTheRoad && panel !== 'calm' && draft.changed.length === 0 ? (
          <span className="text-rust">{kept.heading}.</span>
        ) : (
          `${view.names.car} in ${view.names.title} on the ${view.names.rig}, simulated from tyre to rim.`
        )
      }
      next={
        <>
          <KeepStep view={view} draft={draft} />
          {draft.changed.length === 0 &&
            (panel === 'feels' ? (
              <FeelsStep />
            ) : (
              <ForceAdviceSteps force={force} report={report} logged={logged.report} view={view} />
            ))}
        </>
      }
    >
      <nav aria-label="Parts of the force" className="mb-3 flex flex-wrap gap-x-4 border-b border-line">
        {PANELS.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={one === panel}
            onClick={() => show(one)}
            className={`flex min-h-11 cursor-pointer items-center border-b-3 text-[15px] ${one === panel ? 'border-ink font-bold' : 'border-transparent text-muted hover:text-ink'}`}
          >
            {PANEL_NAMES[one]}
          </button>
        ))}
      </nav>
      {force.fault ? (
        <p className="text-rust" role="alert">
          The ride could not be driven: {force.fault}. Nothing was changed; reload the page to try again.
        </p>
      ) : force.report === null ? (
        <Driving progress={force.progress ?? 1} />
      ) : (
        <PanelPicture
          panel={panel}
          view={view}
          sides={sides}
          draft={draft}
          force={force}
          logged={logged}
          logs={carLogsOf(view, logs, logged.ride)}
          like={like}
        />
      )}
      <ForceSliders view={view} draft={draft} panel={panel} />
      {panel === 'strength' && <WantedWeight force={force} draft={draft} />}
      {panel === 'balance' && (
        <OtherSliders view={view} draft={draft} brake={logged.report?.brake ?? null} force={force} />
      )}
      {force.report && <ForceFigures panel={panel} force={force} report={report!} view={view} />}
      {panel === 'balance' && <CouplingPicture view={view} values={draft.values} />}
      {force.report && force.report.notes.length > 0 && (
        <ul aria-label="Notes" className="mt-4 max-w-2xl border-t border-line">
          {force.report.notes.map((note) => (
            <li key={note} className="border-b border-line py-2 text-[15px] text-rust">
              {note}
            </li>
          ))}
        </ul>
      )}
      <Assumed view={view} />
      <Cautions view={view} crash={panel === 'strength' ? crashCaution(force.facts) : null} />
    </StationPage>
  );
}

function PanelPicture({
  panel,
  view,
  sides,
  draft,
  force,
  logged,
  logs,
  like,
}: Pick<Props, 'sides' | 'logs' | 'like'> & {
  panel: Panel;
  view: BookView;
  draft: DraftSettings;
  force: ForceState;
  logged: LoggedForce;
}) {
  switch (panel) {
    case 'strength':
      return <StrengthPanel view={view} force={force} logged={logged} road={roadMap(trackOf(view))} />;
    case 'balance':
      return (
        <>
          <BalancePicture view={view} draft={draft} force={force} />
          {logged.report?.parts && (
            <LogPartsFacts
              parts={logged.report.parts}
              basis={rideBasis(
                { ...view, settings: draft.values },
                { importedFrom: nameOfLog(view, logged) },
              )}
              name={nameOfLog(view, logged) ?? 'the simulated ride'}
            />
          )}
        </>
      );
    case 'smooth':
      return <SmoothPicture force={force} unit={view.speedUnit} />;
    case 'calm':
      return <CalmPicture force={force} unit={view.speedUnit} />;
    case 'cars':
      return <CarsTable view={view} draft={draft} sides={sides} logs={logs} force={force} />;
    case 'listen':
      return <ListenPanel view={view} isTried={draft.changed.length > 0} force={force} />;
    case 'feels':
      return (
        <FeelsPanel
          key={like}
          like={like}
          view={view}
          draft={draft}
          sides={sides}
          logs={logs}
          force={force}
        />
      );
  }
}

const nameOfLog = (view: BookView, { ride }: LoggedForce): string | null =>
  view.rides.find(({ id }) => id === ride?.id)?.importedFrom ?? null;

function Driving({ progress }: { progress: number }) {
  return (
    <div className="flex h-72 max-w-2xl flex-col justify-center gap-3">
      <p className="text-muted">The simulated driver laps the road for its force…</p>
      <div
        role="progressbar"
        aria-label="Driving"
        aria-valuenow={Math.round(100 * progress)}
        className="h-2 rounded-full bg-line"
      >
        <div className="h-2 rounded-full bg-muted" style={{ width: `${100 * progress}%` }} />
      </div>
    </div>
  );
}

/** A prediction is only as good as what is known of the base. */
function Assumed({ view }: { view: BookView }) {
  const assumed = assumedOf(view.rig.spec);
  if (assumed.length === 0) return null;
  return (
    <p className="mt-4 max-w-2xl text-sm text-muted">
      Taken as usual for such a base, because it is not written down: {assumed.join(', ')}.{' '}
      <Link className="underline underline-offset-4" href="/rig">
        Say what you know of the {view.names.rig}
      </Link>
      .
    </p>
  );
}

function Cautions({ view, crash }: { view: BookView; crash: string | null }) {
  const torque = view.rig.spec.base.torqueNm ?? STRONG_NM;
  return (
    <ul aria-label="Cautions" className="mt-4 max-w-2xl border-l-3 border-rust pl-3 text-sm">
      {crash && <li>{crash}</li>}
      {CAUTIONS.filter(({ fromNm }) => torque >= fromNm).map(({ text }) => (
        <li key={text}>{text}</li>
      ))}
    </ul>
  );
}
