'use client';

import { PARTS, type RigSpec } from '@/core/rig/rigSpec';
import { Button } from '@/ui/Button';
import { DateField, SelectField, TextField } from '@/ui/fields';

/** Versions of firmware and driver, and why an old one is kept. */
export function Software({
  spec,
  onChange,
}: {
  spec: RigSpec;
  onChange(software: RigSpec['software']): void;
}) {
  const set = (i: number, part: Partial<RigSpec['software'][number]>) =>
    onChange(spec.software.map((entry, k) => (k === i ? { ...entry, ...part } : entry)));
  const free = PARTS.find((part) => !spec.software.some((entry) => entry.part === part));
  return (
    <section className="mt-2 max-w-3xl" aria-labelledby="software">
      <h2 id="software" className="border-b border-line pb-1 font-bold">
        Firmware and driver
      </h2>
      {spec.software.map((entry, i) => (
        <div
          key={i}
          className="grid items-end gap-x-3 border-b border-line py-2 sm:grid-cols-[9rem_6rem_10rem_1fr_auto]"
        >
          <SelectField
            label="Part"
            value={entry.part}
            options={PARTS.map((part) => ({ value: part, name: part }))}
            onChange={(part) => set(i, { part })}
            isStacked
          />
          <TextField
            label="Version"
            value={entry.version}
            onChange={(version) => set(i, { version })}
            most={40}
            isStacked
          />
          <DateField label="Of" value={entry.date} onChange={(date) => set(i, { date })} />
          <TextField
            label="Kept old on purpose, because"
            value={entry.keptOldBecause}
            onChange={(keptOldBecause) => set(i, { keptOldBecause })}
            isStacked
          />
          <Button
            look="quiet"
            aria-label={`Take out ${entry.part} ${entry.version}`}
            onClick={() => onChange(spec.software.filter((_, k) => k !== i))}
          >
            Take out
          </Button>
        </div>
      ))}
      {free && (
        <Button
          className="mt-2"
          onClick={() =>
            onChange([
              ...spec.software,
              { part: free, version: '1.0', date: new Date().toISOString().slice(0, 10), keptOldBecause: '' },
            ])
          }
        >
          Add a version
        </Button>
      )}
    </section>
  );
}
