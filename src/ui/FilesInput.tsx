'use client';

import { useRef, useState } from 'react';

/**
 * Chooses one file, several, or a whole folder; they can be dropped on it as well. A folder is walked through all the way
 * down.
 */
export function FilesInput({
  label,
  accept,
  isDisabled,
  onFiles,
}: {
  label: string;
  accept: string;
  isDisabled: boolean;
  onFiles(files: File[]): void;
}) {
  const folder = useRef<HTMLInputElement>(null);
  const [isOver, setOver] = useState(false);
  const chosen = (input: HTMLInputElement) => {
    const files = [...(input.files ?? [])];
    input.value = '';
    if (files.length > 0) onFiles(files);
  };
  return (
    <div
      className={`mt-1 rounded-lg border border-dashed p-2 ${isOver ? 'border-ink bg-raised' : 'border-line'}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        if (isDisabled) return;
        const entries = [...event.dataTransfer.items].map((item) => item.webkitGetAsEntry());
        const plain = [...event.dataTransfer.files];
        void filesUnder(entries).then((found) => onFiles(found.length > 0 ? found : plain));
      }}
    >
      <label className="grid gap-1">
        <span className="sr-only">{label}</span>
        <input
          type="file"
          multiple
          accept={accept}
          disabled={isDisabled}
          className="w-full text-sm file:mr-3 file:min-h-11 file:cursor-pointer file:rounded-lg file:border file:border-line file:bg-ground file:px-3 file:text-ink"
          onChange={(event) => chosen(event.target)}
        />
      </label>
      <button
        type="button"
        disabled={isDisabled}
        className="min-h-11 cursor-pointer text-sm underline underline-offset-4"
        onClick={() => folder.current?.click()}
      >
        or a whole folder, or drop it here
      </button>
      <input
        ref={folder}
        type="file"
        hidden
        aria-label="Folder of logs"
        {...{ webkitdirectory: '' }}
        onChange={(event) => chosen(event.target)}
      />
    </div>
  );
}

/** Every file under what was dropped. */
async function filesUnder(entries: readonly (FileSystemEntry | null)[]): Promise<File[]> {
  const found: File[] = [];
  for (const entry of entries) {
    if (entry?.isFile)
      found.push(await new Promise<File>((done, fail) => (entry as FileSystemFileEntry).file(done, fail)));
    else if (entry?.isDirectory)
      found.push(...(await filesUnder(await childrenOf(entry as FileSystemDirectoryEntry))));
  }
  return found;
}

/** A folder tells its files a hundred at a time. */
async function childrenOf(folder: FileSystemDirectoryEntry): Promise<FileSystemEntry[]> {
  const reader = folder.createReader();
  const all: FileSystemEntry[] = [];
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((done, fail) => reader.readEntries(done, fail));
    if (some.length === 0) return all;
    all.push(...some);
  }
}
