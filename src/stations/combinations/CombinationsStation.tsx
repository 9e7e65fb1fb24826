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
import { originText } from '@/book/judge/provenance';
import { moment } from '@/words/format';
import { told } from '@/parts/told';
import { branchOff } from '@/book/write/branches';
import type { OtherCombination } from '@/book/model/otherCombination';

interface Props {
  view: BookView;
  lines: CombinationLine[];
  other: OtherCombination | null;
}

/** Every combination of the book; any of them beside the one that is open, and what could be taken over from it. */
export function CombinationsStation({ view, lines, other }: Props) {
  const carried = other ? transferSettings(other.set, view.menus, view.settings) : [];
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
            <NextStep number={1} title="Take over what is wanted">
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
          <BranchStep view={view} number={other ? 2 : 1} />
        </>
      }
    >
      <Lines view={view} lines={lines} other={other} />
      {other?.isSameMenu && <Differences view={view} other={other} />}
    </StationPage>
  );
}

function Lines({ view, lines, other }: Props) {
  const router = useRouter();
  const open = combinationText(view.combination);
  return (
    <div className="overflow-x-auto">
      <table className="w-full max-w-3xl text-[15px]" aria-label="Combinations">
        <tbody>
          {lines.map((line) => {
            const text = combinationText(line);
            return (
              <tr key={text} className="border-b border-line">
                <th scope="row" className="py-2 pr-3 text-left font-normal">
                  <span className={text === open ? 'font-bold' : ''}>{line.name}</span>
                  <span className="block text-sm text-muted">opened {moment(line.openedAtMs)}</span>
                </th>
                <td className="w-64 text-right whitespace-nowrap">
                  {text === open ? (
                    <span className="pr-4 text-muted">open</span>
                  ) : (
                    <>
                      <Button
                        look="quiet"
                        aria-pressed={other?.text === text}
                        aria-label={`Compare with ${line.name}`}
                        onClick={() => router.push(`/combinations?with=${encodeURIComponent(text)}`)}
                      >
                        {other?.text === text ? 'Compared' : 'Compare'}
                      </Button>
                      <Button
                        look="quiet"
                        aria-label={`Open ${line.name}`}
                        onClick={() => {
                          const { rigId, titleId, carId, driver, branch } = line;
                          void changeCombination({ rigId, titleId, carId, driver, branch }).then((reply) =>
                            told(reply),
                          );
                        }}
                      >
                        Open
                      </Button>
                    </>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** Setting by setting where both stand in the same menus, with where each comes from. */
function Differences({ view, other }: { view: BookView; other: OtherCombination }) {
  const keys = changedBetween(view.settings, other.settings);
  if (keys.length === 0) return null;
  const side = (text: string, settings: SettingValues, origins: Record<string, Origin>) => {
    const value = settings[text];
    return (
      <>
        <span className="font-mono">
          {value === undefined ? (menuField(view.menus, keyOfText(text))?.neutral ?? '–') : valueText(value)}
        </span>
        <span className="block text-sm text-muted">{originText(origins[text])}</span>
      </>
    );
  };
  return (
    <table className="mt-6 w-full max-w-3xl text-[15px]" aria-label="Settings that differ">
      <thead>
        <tr className="border-b border-line text-left text-sm text-muted">
          <th scope="col">Setting</th>
          <th scope="col">here</th>
          <th scope="col">there</th>
        </tr>
      </thead>
      <tbody>
        {keys.map((text) => (
          <tr key={text} className="border-b border-line align-top">
            <th scope="row" className="py-2 pr-3 text-left font-normal">
              {settingName(view, keyOfText(text))}
            </th>
            <td className="py-2 pr-3">{side(text, view.settings, view.origins)}</td>
            <td className="py-2">{side(text, other.settings, other.origins)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function BranchStep({ view, number }: { view: BookView; number: number }) {
  const [name, setName] = useState('');
  const isBranch = view.combination.branch !== '';
  return (
    <NextStep
      number={number}
      title={isBranch ? `On the branch “${view.combination.branch}”` : 'Try something on the side'}
      actions={
        <>
          <Button
            disabled={name.trim() === ''}
            onClick={() =>
              void branchOff(name).then((reply) => {
                if (told(reply, `On the branch “${name}”`)) setName('');
              })
            }
          >
            Branch off
          </Button>
          {isBranch && (
            <Button
              onClick={() =>
                void changeCombination({ branch: '' }).then((reply) => told(reply, 'Back on the main one'))
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
