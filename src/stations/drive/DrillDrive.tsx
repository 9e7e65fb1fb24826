'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { drillCircle, drillOptions } from '@/core/drills/course';
import { drillPicture, type DrillPicture } from '@/core/drills/drillPicture';
import { judgedBy, measureDrill } from '@/core/drills/measureDrill';
import { describeProblem, reasonOf } from '@/core/problem';
import { layTrack } from '@/core/vehicle/track';
import { PLAINLY } from '@/book/judge/livePlan';
import { trackOf } from '@/book/judge/trackOf';
import type { BookView } from '@/book/model/bookView';
import type { DrillLine } from '@/book/model/drillsView';
import { useAnswerButtons } from '@/live/answerButtons';
import { useDrive } from '@/live/useDrive';
import { useRimAnswers } from '@/live/useRimAnswers';
import { speak } from '@/live/voice';
import { keepRide } from '@/parts/keepRide';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import type { DeviceSource } from '@/devices/source';
import { drillText, DRILL_WORDS } from '@/words/drills';
import { attemptSentence } from '@/words/drillPractice';
import { AttemptPicture } from './AttemptPicture';
import { DriveScreen } from './DriveScreen';
import { useAtEnd } from './useAtEnd';

interface Props {
  view: BookView;
  source: DeviceSource;
  line: DrillLine;
}

/** A drill: said what to do, driven, and at once one sentence and a picture of it; then once more. */
export function DrillDrive(props: Props) {
  const [attempt, setAttempt] = useState(0);
  const again = useCallback(() => setAttempt((n) => n + 1), []);
  return <OneAttempt key={attempt} {...props} onAgain={again} />;
}

type Came =
  | { state: 'driving' | 'keeping' }
  | { state: 'nothing'; why: string }
  | { state: 'kept'; sentence: string; all: string; picture: DrillPicture };

function OneAttempt({ view, source, line, onAgain }: Props & { onAgain(): void }) {
  const router = useRouter();
  const { name } = line;
  const track = useMemo(() => layTrack(trackOf(view)), [view]);
  const [seed] = useState(() => 1 + Math.floor(Math.random() * 1e6));
  const how = { course: { kind: 'drill', drill: name }, ...PLAINLY, seed, blind: null } as const;
  const drive = useDrive(view, source, how);
  const { status, finish } = drive;
  const { meaning } = useAnswerButtons(source, view.rig.spec.rim.buttons);
  const [came, setCame] = useState<Came>({ state: 'driving' });
  useEffect(() => speak(`${DRILL_WORDS[name].label}. ${DRILL_WORDS[name].how}`), [name]);

  // Measures what was driven, and keeps it where the drill is in it.
  const end = useAtEnd(status.state === 'over', async () => {
    setCame({ state: 'keeping' });
    try {
      const driven = await finish();
      if (!driven) return setCame({ state: 'nothing', why: status.fault ?? 'Nothing was driven yet.' });
      const log = { ...driven.log, notes: { ...driven.log.notes, drill: name } };
      const measured = measureDrill(name, log, drillOptions(track, view.car));
      if (!measured.ok)
        return setCame({ state: 'nothing', why: measured.problems.map(describeProblem).join(' ') });
      await keepRide(log, { trackId: view.trackId, seed, settings: view.settings, isAsked: true });
      const { measures } = measured.value;
      const { expected } = line;
      const sentence = `${attemptSentence(name, { measures, expected, judged: judgedBy(name, measures, expected) })}.`;
      speak(sentence);
      setCame({
        state: 'kept',
        sentence,
        all: drillText({ name, measures, warnings: [] }),
        picture: drillPicture(name, log, drillCircle(track)),
      });
      router.refresh();
    } catch (error) {
      setCame({ state: 'nothing', why: reasonOf(error) });
    }
  });

  const isOver = came.state === 'kept' || came.state === 'nothing';
  useRimAnswers(source, meaning, (said) => {
    if (!isOver) return;
    if (said === 'yes') onAgain();
    else router.push('/drills');
  });

  return (
    <DriveScreen
      view={view}
      source={source}
      drive={drive}
      where={
        <p className="mt-1 max-w-80">
          <span className="block text-lg font-bold">{DRILL_WORDS[name].label}</span>
          <span className="block text-muted">{DRILL_WORDS[name].how}</span>
        </p>
      }
      buttons={<Button onClick={() => void end()}>That is it</Button>}
      over={
        came.state === 'driving' ? null : (
          <div className="max-w-4xl text-left">
            {came.state === 'keeping' && <p className="text-4xl font-bold">It is being measured…</p>}
            {came.state === 'nothing' && (
              <>
                <p className="text-4xl font-bold">No attempt</p>
                <p className="mt-2 text-xl text-rust">{came.why}</p>
              </>
            )}
            {came.state === 'kept' && (
              <>
                <p className="text-3xl leading-snug font-bold text-balance">{came.sentence}</p>
                {status.fault !== null && <p className="mt-1 text-lg text-rust">{status.fault}</p>}
                <AttemptPicture name={name} picture={came.picture} />
                <p className="mt-2 text-[15px] text-muted tabular-nums">{came.all}</p>
              </>
            )}
            {isOver && (
              <p className="mt-4 flex flex-wrap gap-3">
                <Button look="next" onClick={onAgain}>
                  Once more (yes)
                </Button>
                <LinkButton href="/drills">To the drills (no)</LinkButton>
              </p>
            )}
          </div>
        )
      }
    />
  );
}
