import { LONGEST_ROAD } from '@/core/rides/road';
import { CHANNEL_WORDS } from '@/core/import/rideUnits';
import { Button } from '@/ui/Button';
import { ProgressBar } from '@/ui/ProgressBar';
import { NextStep, StationPage } from '@/ui/StationPage';
import { Table } from '@/ui/Table';
import { ImportTable } from './ImportLog';
import type { Evening, EveningLog } from './useEvening';

const STATES: Record<EveningLog['state'], string> = {
  ready: 'ready',
  asks: 'asks for its columns',
  none: 'no log',
  there: 'there already',
  kept: 'on the trail',
  refused: 'refused',
};

/** Logs of an evening: what each file is, what is to be said of its columns, and all of them taken in at once. */
export function EveningOfLogs({ evening }: { evening: Evening }) {
  const { logs, asking, progress } = evening;
  const count = (state: EveningLog['state']) => logs.filter((log) => log.state === state).length;
  const ready = count('ready');
  if (asking && !progress) return <AskedColumns evening={evening} asking={asking} />;
  return (
    <StationPage
      finding={
        logs.length === 0
          ? 'Looking through the files'
          : findingOf(ready, count('kept') + count('there'), logs.length)
      }
      subtitle="Each is laid on the trail where it was driven, with what was set then as far as the trail knows it."
      next={
        progress ? (
          <NextStep title="Under way" actions={<Button onClick={evening.cancel}>Cancel</Button>}>
            <ProgressBar share={progress.done / Math.max(1, progress.of)} label="Logs">
              {progress.what}, {progress.done} of {progress.of}
            </ProgressBar>
          </NextStep>
        ) : (
          <>
            {ready > 0 && (
              <NextStep
                title={`Take in ${ready === 1 ? 'one ride' : `${ready} rides`}`}
                actions={
                  <Button look="next" onClick={() => void evening.keep()}>
                    Keep {ready === 1 ? 'it' : `these ${ready}`}
                  </Button>
                }
              >
                <label className="grid gap-1">
                  <span>Road they were driven on</span>
                  <input
                    className="min-h-11 rounded-lg border border-line bg-ground px-3 text-ink"
                    maxLength={LONGEST_ROAD}
                    value={evening.road}
                    placeholder="each its own"
                    onChange={(event) => evening.setRoad(event.target.value)}
                  />
                  <span className="text-sm">Logs of the same road can be compared.</span>
                </label>
              </NextStep>
            )}
            <NextStep
              title={ready > 0 ? 'Or leave them' : 'Back to the ride'}
              actions={<Button onClick={evening.leave}>{ready > 0 ? 'Leave them' : 'Back to Ride'}</Button>}
            >
              {ready > 0 ? 'Nothing is kept then.' : 'What was taken in lies on the trail.'}
            </NextStep>
          </>
        )
      }
    >
      {logs.length > 0 && (
        <Table
          label="Files of the evening"
          rows={logs}
          keyOf={({ file }, i) => `${i}/${file.name}`}
          columns={[
            { head: 'File', value: ({ file }) => file.name, isRowHead: true, className: 'max-w-48 truncate' },
            {
              head: 'MB',
              value: ({ file }) => Number((file.size / 1024 / 1024).toFixed(2)),
              isFigure: true,
            },
            {
              head: 'What it is',
              value: ({ state }) => STATES[state],
              className: 'whitespace-nowrap',
              view: ({ state }) => (
                <span className={state === 'none' || state === 'refused' ? 'text-rust' : ''}>
                  {STATES[state]}
                </span>
              ),
            },
            { head: '', value: ({ why }) => why, className: 'min-w-48 text-sm text-muted' },
          ]}
        />
      )}
    </StationPage>
  );
}

function findingOf(ready: number, onTrail: number, of: number): string {
  if (ready > 0) return `${ready} of ${of} files ${ready === 1 ? 'is a new ride' : 'are new rides'}`;
  if (onTrail > 0) return `${onTrail} of ${of} files ${onTrail === 1 ? 'lies' : 'lie'} on the trail`;
  return `None of ${of} files is a log that can be read`;
}

/** The columns of a source that nobody has spoken of yet, shown by its first log. */
function AskedColumns({ evening, asking }: { evening: Evening; asking: NonNullable<Evening['asking']> }) {
  const open = asking.chosen.filter(({ channel, unit }) => channel !== null && unit === null);
  const asks = evening.logs.filter(({ state }) => state === 'asks');
  const alike = asks.filter(({ source }) => source === asks[0]!.source).length;
  return (
    <StationPage
      finding={`${asking.name}: what are its columns?`}
      subtitle={`As found: ${asking.preview.found}.`}
      next={
        <NextStep
          title={open.length > 0 ? 'Say what the file does not' : 'Is it as it stands there?'}
          actions={
            <>
              <Button
                look="next"
                disabled={evening.isOpen(asking.chosen)}
                onClick={() => void evening.confirm()}
              >
                So it is{alike > 1 ? `, in all ${alike} logs` : ''}
              </Button>
              <Button onClick={evening.leave}>Leave them</Button>
            </>
          }
        >
          {open.length > 0
            ? `A unit is missing: ${open.map(({ channel }) => CHANNEL_WORDS[channel!]).join(', ')}. It is never guessed.`
            : 'Logs whose columns are called the same are read the same way, these and later ones.'}
        </NextStep>
      }
    >
      <ImportTable onChoose={evening.choose} importing={asking} />
    </StationPage>
  );
}
