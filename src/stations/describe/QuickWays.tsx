'use client';

import { useState } from 'react';
import { describeProblem, reasonOf, type Outcome, type Problem } from '@/core/problem';
import { readBaseJson } from '@/core/formats/thingsJson';
import type { BaseProgram } from '@/core/rig/rigSpec';
import { readTitleDocument, readTitleJson, type TitleDocument } from '@/core/formats/titleJson';
import { fieldsFromPaste, type DescribedField } from '@/core/titles/describedField';
import { readPastedMenu } from '@/core/titles/pastedMenu';
import { SHAPES, startingFields } from '@/core/titles/startingShapes';
import { readChosen } from '@/parts/readChosen';
import { Button } from '@/ui/Button';
import { FileInput } from '@/ui/FileInput';
import { LinesField } from '@/ui/LinesField';
import { notify } from '@/ui/notices';

interface Props {
  /** Before there is any field this is where one begins. */
  isOpen: boolean;
  of: 'title' | 'base';
  page: string;
  /** Titles that can be copied and changed. */
  copies: readonly { id: string; name: string }[];
  onFields(fields: DescribedField[]): void;
  onTitle(document: TitleDocument): void;
  onBase(program: BaseProgram): void;
}

const LARGEST_MB = 2;

/** The quick ways to a list of fields: a usual shape, lines from a menu, a file, a title that is much alike. */
export function QuickWays({ isOpen, of, page, copies, onFields, onTitle, onBase }: Props) {
  const [text, setText] = useState('');
  const [problems, setProblems] = useState<Problem[]>([]);
  const paste = () => {
    const read = readPastedMenu(text);
    setProblems(read.ok ? [] : read.problems);
    if (!read.ok) return;
    onFields(fieldsFromPaste(read.value, of, page));
    setText('');
  };
  const copy = async (id: string) => {
    const found = copies.find((one) => one.id === id);
    if (!found) return;
    try {
      const answer = await fetch(`/api/titles/document?id=${encodeURIComponent(id)}`);
      const read = readTitleDocument(await answer.json());
      setProblems(read.ok ? [] : read.problems);
      if (read.ok) onTitle({ ...read.value, origin: `copied from ${found.name}` });
    } catch (error) {
      notify(`${found.name} was not copied: ${reasonOf(error)}`, 'fault');
    }
  };
  const open = async <T,>(file: File, read: (text: string) => Outcome<T>, onRead: (found: T) => void) => {
    const found = await readChosen(file, read);
    setProblems(found.ok ? [] : found.problems);
    if (found.ok) onRead(found.value);
  };
  return (
    <details key={String(isOpen)} open={isOpen} className="mt-3 border-y border-line">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">
        Quick ways to its fields
      </summary>
      <div className="grid gap-3 pb-3">
        <LinesField
          label="Type or paste its menu, a field on each line: label, value, least, greatest"
          rows={3}
          placeholder={'Strength 65 0 100\nMinimum force 3 0 20\nDamper 10 0 100'}
          value={text}
          onChange={setText}
        />
        <div className="flex flex-wrap items-center gap-2">
          <Button disabled={text.trim() === ''} onClick={paste}>
            Take these lines
          </Button>
        </div>
        <div className="flex flex-wrap items-center gap-x-4">
          <span className="text-sm text-muted">or begin with</span>
          {Object.entries(SHAPES).map(([id, shape]) => (
            <Button
              key={id}
              look="quiet"
              className="px-0"
              onClick={() => onFields(startingFields(shape, of, page))}
            >
              {shape.name}
            </Button>
          ))}
        </div>
        {of === 'title' && (
          <div className="flex flex-wrap items-end gap-4">
            <label className="grid gap-0.5">
              <span className="text-sm text-muted">or copy a title that is much alike</span>
              <select
                className="h-11 rounded-lg border border-line bg-raised px-2"
                value=""
                onChange={(event) => void copy(event.target.value)}
              >
                <option value="">…</option>
                {copies.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            <FileInput
              label="or open a .title.json"
              accept=".json,application/json"
              mostMb={LARGEST_MB}
              onFile={(file) => void open(file, readTitleJson, onTitle)}
            />
          </div>
        )}
        {of === 'base' && (
          <FileInput
            label="or open a .base.json"
            accept=".json,application/json"
            mostMb={LARGEST_MB}
            onFile={(file) => void open(file, readBaseJson, onBase)}
          />
        )}
        {problems.length > 0 && (
          <div role="alert" className="border-l-4 border-rust pl-3 text-[15px]">
            {problems.slice(0, 4).map((one) => (
              <p key={one.message}>{describeProblem(one)}</p>
            ))}
            <p className="text-muted">Nothing of it was taken.</p>
          </div>
        )}
      </div>
    </details>
  );
}
