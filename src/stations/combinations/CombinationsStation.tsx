'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { transferSettings, hardwareDiffers } from '@/core/settings/transferSettings';
import { combinationText } from '@/core/settings/scope';
import { changedBetween, keyOfText, type SettingValues } from '@/core/settings/setting';
import { valueText } from '@/core/settings/trail';
import { menuField } from '@/core/settings/menus';
import { Button } from '@/ui/Button';
import { TextField } from '@/ui/fields';
import { CarriedList } from '@/parts/CarriedList';
import type { Origin } from '@/book/model/origin';
import type { BookView } from '@/book/model/bookView';
import type { CombinationLine } from '@/book/model/combinationView';
import { changeCombination } from '@/book/write/settings';
import { settingName } from '@/book/judge/trail';
import { hardwareOf } from '@/book/judge/hardware';
import { NextStep, StationPage } from '@/ui/StationPage';
import { momentValue, Table } from '@/ui/Table';
import { originText } from '@/book/judge/provenance';
import { moment } from '@/words/format';
import { notifyReply } from '@/parts/notifyReply';
import { branchOff } from '@/book/write/branches';
import type { OtherCombination } from '@/book/model/otherCombination';

interface Props {
  view: BookView;
  lines: CombinationLine[];
  other: OtherCombination | null;
}

/** Every combination of the book; any of them beside the one that is open, and what could be taken over from it. */
export function CombinationsStation({ view, lines, other }: Props) {
  const transfer = other && { from: other.hardware, to: hardwareOf(view.rig.spec), isWhole: true };
  const carried = other ? transferSettings(other.set, view.menus, view.settings, transfer!) : [];
  const count = carried.reduce((sum, axis) => sum + axis.items.length, 0);
  return (
    <StationPage
      finding={
        !other
          ? `${lines.length} combinations in the book`
          : count === 0
            ? 'The two are set alike'
            : `${count} ${count === 1 ? 'setting differs' : 'settings differ'}`
      }
      subtitle={other ? `Here, and ${other.name}.` : 'Choose one to compare with the one that is open.'}
      next={
        <>
          {other && (
            <NextStep title="Take over what is wanted">
              {hardwareDiffers(other.hardware, hardwareOf(view.rig.spec)) && (
                <p className="mb-2 text-rust">
                  {hardwareDiffers(other.hardware, hardwareOf(view.rig.spec))?.replace(/^./, (c) =>
                    c.toUpperCase(),
                  )}
                  .
                </p>
              )}
              <CarriedList view={view} carried={carried} why={`Taken over from ${other.name}.`} />
            </NextStep>
          )}
          <BranchStep view={view} />
        </>
      }
    >
      <Lines view={view} lines={lines} other={other} />
      {other?.isSameMenu && <Differences view={view} other={other} />}
    </StationPage>
  );
}

function Lines({ view, lines, other }: Props) {
  const open = combinationText(view.combination);
  return (
    <div className="max-w-3xl">
      <Table
        label="Combinations"
        rows={lines}
        keyOf={(line) => combinationText(line)}
        fileName="combinations"
        columns={[
          {
            head: 'Combination',
            value: (line) => line.name,
            isRowHead: true,
            view: (line) => (
              <span className={combinationText(line) === open ? 'font-bold' : ''}>{line.name}</span>
            ),
          },
          {
            head: 'Opened',
            value: (line) => momentValue(line.openedAtMs),
            view: (line) => moment(line.openedAtMs),
            className: 'text-sm whitespace-nowrap text-muted',
          },
          {
            head: '',
            className: 'w-52 text-right whitespace-nowrap',
            view: (line) =>
              combinationText(line) === open ? (
                <span className="pr-4 text-muted">open</span>
              ) : (
                <LineButtons line={line} isCompared={other?.text === combinationText(line)} />
              ),
          },
        ]}
      />
    </div>
  );
}

function LineButtons({ line, isCompared }: { line: CombinationLine; isCompared: boolean }) {
  const router = useRouter();
  return (
    <>
      <Button
        look="quiet"
        aria-pressed={isCompared}
        aria-label={`Compare with ${line.name}`}
        onClick={() => router.push(`/combinations?with=${encodeURIComponent(combinationText(line))}`)}
      >
        {isCompared ? 'Compared' : 'Compare'}
      </Button>
      <Button
        look="quiet"
        aria-label={`Open ${line.name}`}
        onClick={() => {
          const { rigId, titleId, carId, driver, branch } = line;
          void changeCombination({ rigId, titleId, carId, driver, branch }).then((reply) =>
            notifyReply(reply),
          );
        }}
      >
        Open
      </Button>
    </>
  );
}

/** Setting by setting where both stand in the same menus, with where each comes from. */
function Differences({ view, other }: { view: BookView; other: OtherCombination }) {
  const keys = changedBetween(view.settings, other.settings);
  if (keys.length === 0) return null;
  const written = (text: string, settings: SettingValues) => {
    const value = settings[text];
    return value === undefined ? (menuField(view.menus, keyOfText(text))?.neutral ?? '–') : valueText(value);
  };
  const side = (text: string, settings: SettingValues, origins: Record<string, Origin>) => (
    <>
      <span className="font-mono">{written(text, settings)}</span>
      <span className="block text-sm text-muted">{originText(origins[text])}</span>
    </>
  );
  return (
    <div className="mt-6 max-w-3xl">
      <Table
        label="Settings that differ"
        rows={keys.map((text) => ({ text, name: settingName(view, keyOfText(text)) }))}
        keyOf={({ text }) => text}
        fileName="settings-that-differ"
        columns={[
          { head: 'Setting', value: ({ name }) => name, isRowHead: true },
          {
            head: 'here',
            value: ({ text }) => written(text, view.settings),
            view: ({ text }) => side(text, view.settings, view.origins),
          },
          {
            head: 'there',
            value: ({ text }) => written(text, other.settings),
            view: ({ text }) => side(text, other.settings, other.origins),
          },
        ]}
      />
    </div>
  );
}

function BranchStep({ view }: { view: BookView }) {
  const [name, setName] = useState('');
  const isBranch = view.combination.branch !== '';
  return (
    <NextStep
      title={isBranch ? `On the branch “${view.combination.branch}”` : 'Try something on the side'}
      actions={
        <>
          <Button
            disabled={name.trim() === ''}
            onClick={() =>
              void branchOff(name).then((reply) => {
                if (notifyReply(reply, `On the branch “${name}”`)) setName('');
              })
            }
          >
            Branch off
          </Button>
          {isBranch && (
            <Button
              onClick={() =>
                void changeCombination({ branch: '' }).then((reply) =>
                  notifyReply(reply, 'Back on the main one'),
                )
              }
            >
              Back to the main one
            </Button>
          )}
        </>
      }
    >
      <p className="mb-2">
        A branch begins with everything as it is here and then goes its own way. Compare the two to merge what
        proved itself.
      </p>
      <TextField label="Name of the branch" isStacked value={name} most={40} onChange={setName} />
    </NextStep>
  );
}
