'use client';

import { writePackJson, type Pack } from '@/core/formats/packJson';
import { describeProblem, type Problem } from '@/core/problem';
import { setAxesOf } from '@/core/settings/transferSettings';
import { keyOfText } from '@/core/settings/setting';
import { valueText } from '@/core/settings/trail';
import { Button } from '@/ui/Button';
import { FileButton } from '@/ui/FileButton';
import { downloadText } from '@/ui/download';
import type { BookView } from '@/book/model/bookView';
import { cardOf } from '@/book/judge/card';
import { settingName } from '@/book/judge/trail';
import { hardwareOf } from '@/book/judge/hardware';
import { NextStep } from '@/ui/StationPage';

/** Whose profile is open, and what it was made for. */
export function PackHead({ pack, onClose }: { pack: Pack; onClose(): void }) {
  return (
    <div className="flex max-w-2xl items-start justify-between gap-4">
      <p>
        <strong>{pack.name}</strong>: {pack.car} in {pack.title} on the {pack.rig}, {pack.driver}.
        {pack.notes && <span className="block text-muted">{pack.notes}</span>}
        <span className="block text-sm text-muted">
          {pack.provenance.length} of its values have a reason written beside them.
        </span>
      </p>
      <Button look="quiet" onClick={onClose}>
        Close the file
      </Button>
    </div>
  );
}

/** A profile in from a file, and one's own out. */
export function FileStep({
  view,
  onFile,
  problems,
}: {
  view: BookView;
  onFile(file: File): void;
  problems: Problem[];
}) {
  return (
    <NextStep
      title="As a file"
      actions={
        <>
          <FileButton name="Profile to open" accept=".json" onFile={onFile}>
            Open a profile…
          </FileButton>
          <Button
            onClick={() =>
              downloadText(
                `${view.combination.carId}-${view.combination.rigId}.profile.json`,
                writePackJson(packOf(view)),
                'application/json',
              )
            }
          >
            Save mine
          </Button>
        </>
      }
    >
      A profile carries its titles’ scales and its hardware with it, so that nobody has to guess.
      {problems.length > 0 && (
        <span role="alert" className="mt-2 block text-rust">
          Nothing was changed. {problems.map(describeProblem).join(' ')}
        </span>
      )}
    </NextStep>
  );
}

/** The open combination as somebody else gets it: every value with its reason, and what it was made for. */
function packOf(view: BookView): Pack {
  const { names } = view;
  return {
    name: `${names.car} on the ${names.rig}`,
    rig: names.rig,
    title: names.title,
    car: names.car,
    driver: names.driver,
    hardware: hardwareOf(view.rig.spec),
    settings: setAxesOf(view.menus, view.settings),
    provenance: Object.entries(view.origins).map(([text, { value, why, atMs }]) => ({
      setting: settingName(view, keyOfText(text)),
      value: valueText(value),
      why,
      atMs,
    })),
    calibration: cardOf(view).calibration,
    notes: '',
  };
}
