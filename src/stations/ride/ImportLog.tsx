'use client';

import { SAMPLE_LOGS } from '@/catalog/sampleLogs';
import { CHANNEL_UNITS, CHANNEL_WORDS, unitWritten, type Channel } from '@/core/import/rideUnits';
import type { ColumnMatch } from '@/core/import/matchColumns';
import { LONGEST_ROAD } from '@/core/rides/road';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import { FilesInput } from '@/ui/FilesInput';
import { NextStep } from '@/ui/StationPage';
import { Table } from '@/ui/Table';
import type { Importing, useImport } from './useImport';

type Import = ReturnType<typeof useImport>;

/** Chooses a log, and says what is wrong with it. */
export function ImportStep({
  log,
  onSeveral,
}: {
  log: Import;
  /** What is to be done with the logs of a whole evening. */
  onSeveral(files: File[]): void;
}) {
  return (
    <NextStep title="Logs from elsewhere">
      Any CSV of a ride, or all of an evening: their shape is found, shown, and yours to correct before
      anything is kept.
      <FilesInput
        label="Log to take in"
        accept=".csv,.tsv,.txt,text/csv"
        isDisabled={log.isBusy}
        onFiles={(files) => (files.length === 1 ? void log.open(files[0]!) : onSeveral(files))}
      />
      <p role="status">{log.isBusy ? 'Reading…' : ''}</p>
      {log.faults.length > 0 && (
        <div role="alert" className="mt-2 border-l-4 border-rust pl-3 text-ink">
          {log.faults.slice(0, 4).map((fault) => (
            <p key={fault}>{fault}</p>
          ))}
        </div>
      )}
      {!log.importing && (
        <details className="mt-1">
          <summary className="flex min-h-11 cursor-pointer items-center">Samples to try it with</summary>
          <ul>
            {SAMPLE_LOGS.map(({ id, name, about, text }) => (
              <li key={id}>
                <button
                  type="button"
                  className="min-h-11 cursor-pointer text-left underline underline-offset-4"
                  disabled={log.isBusy}
                  onClick={() => void log.open(new File([text()], name, { type: 'text/csv' }))}
                >
                  {name}
                </button>
                : {about}{' '}
                <button
                  type="button"
                  className="min-h-11 cursor-pointer text-sm text-muted underline underline-offset-4"
                  aria-label={`Save ${name}`}
                  onClick={() => downloadText(name, text(), 'text/csv')}
                >
                  save
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </NextStep>
  );
}

/** What can be done with the log that is shown. */
export function ImportActions({ log, importing }: { log: Import; importing: Importing }) {
  const open = importing.chosen.filter(({ channel, unit }) => channel !== null && unit === null);
  return (
    <NextStep
      title={open.length > 0 ? 'Say what the file does not' : 'Is it as it stands there?'}
      actions={
        <>
          <Button look="next" disabled={log.isBusy || open.length > 0} onClick={() => void log.keep()}>
            Keep this ride
          </Button>
          <Button onClick={log.leave}>Leave it</Button>
        </>
      }
    >
      {open.length > 0
        ? `A unit is missing: ${open.map(({ channel }) => CHANNEL_WORDS[channel!]).join(', ')}. It is never guessed.`
        : importing.isKnown
          ? 'The columns are as you said of this source before.'
          : 'Once kept, the next log of this source is read the same way.'}
      <label className="mt-3 grid gap-1">
        <span>Road it was driven on</span>
        <input
          className="min-h-11 rounded-lg border border-line bg-ground px-3 text-ink"
          maxLength={LONGEST_ROAD}
          value={importing.road}
          placeholder={importing.name}
          onChange={(event) => log.callRoad(event.target.value)}
        />
        <span className="text-sm">Logs of the same road can be compared; never with a road of ours.</span>
      </label>
    </NextStep>
  );
}

/** Every column of the log: how it begins, what it is taken for, in which unit, and how sure that is. */
export function ImportTable({ onChoose, importing }: { onChoose: Import['choose']; importing: Importing }) {
  const { columns, matches } = importing.preview;
  const rows = columns.map((column, i) => ({ ...column, i, written: column.unit, ...importing.chosen[i]! }));
  return (
    <Table
      label="Columns of the log"
      rows={rows}
      keyOf={({ i }) => String(i)}
      isInOrder
      columns={[
        {
          head: 'Column',
          value: ({ name }) => name,
          view: ({ name, written }) => (
            <>
              {name}
              {written && <span className="ml-1 font-normal text-muted">{written}</span>}
            </>
          ),
          isRowHead: true,
          className: 'font-semibold',
        },
        {
          head: 'begins with',
          value: ({ shown }) => shown.join('  '),
          className: 'max-w-24 truncate font-mono text-sm text-muted',
        },
        {
          head: 'is taken for',
          view: ({ name, channel, written, i }) => (
            <select
              aria-label={`${name} is taken for`}
              className="h-11 w-44 rounded-lg border border-line bg-raised px-2"
              value={channel ?? ''}
              onChange={(event) => {
                const to = (event.target.value || null) as Channel | null;
                onChoose(i, { channel: to, unit: to && firstUnit(to, written) });
              }}
            >
              <option value="">left out</option>
              {(Object.keys(CHANNEL_UNITS) as Channel[]).map((one) => (
                <option key={one} value={one}>
                  {CHANNEL_WORDS[one]}
                </option>
              ))}
            </select>
          ),
        },
        {
          head: 'in',
          view: ({ name, channel, unit, i }) =>
            channel &&
            CHANNEL_UNITS[channel].length > 1 && (
              <select
                aria-label={`${name}: unit`}
                className={`h-11 w-28 rounded-lg border bg-raised px-2 ${unit === null ? 'border-rust' : 'border-line'}`}
                value={unit ?? ''}
                onChange={(event) => onChoose(i, { channel, unit: event.target.value || null })}
              >
                <option value="">which?</option>
                {CHANNEL_UNITS[channel].map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
              </select>
            ),
        },
        {
          head: '',
          className: 'min-w-24 text-sm',
          view: ({ i, channel, unit }) => (
            <Sureness match={matches[i]!} channel={channel} unit={unit} isKnown={importing.isKnown} />
          ),
        },
      ]}
    />
  );
}

function firstUnit(channel: Channel, written: string | null): string | null {
  const units = CHANNEL_UNITS[channel];
  return unitWritten(channel, written)?.id ?? (units.length === 1 ? units[0]!.id : null);
}

const SURE = 0.9;

function Sureness({
  match,
  channel,
  unit,
  isKnown,
}: {
  match: ColumnMatch;
  channel: Channel | null;
  unit: string | null;
  isKnown: boolean;
}) {
  if (channel === null) return <span className="text-muted">not needed</span>;
  if (unit === null) return <span className="text-rust">say the unit</span>;
  if (isKnown || match.channel !== channel || match.unit !== unit) return <span>as you said</span>;
  if (match.doubt) return <span className="text-rust">{match.doubt}</span>;
  return <span>{match.confidence >= SURE ? 'sure' : 'unit by its range'}</span>;
}
