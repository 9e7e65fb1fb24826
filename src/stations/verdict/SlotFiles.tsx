import { MOST_SLOT_BYTES } from '@/core/experiment/slots';
import { FileButton } from '@/ui/FileButton';
import { notify } from '@/ui/notices';

/** The files of both sides that were chosen. */
export interface ChosenFiles {
  a: File | null;
  b: File | null;
}

const most = MOST_SLOT_BYTES / 1024;

/** A file of A and one of B, as the title saved them: nothing but their bytes is ever handed out. */
export function SlotFiles({ files, onChange }: { files: ChosenFiles; onChange(files: ChosenFiles): void }) {
  return (
    <div className="grid gap-2">
      <p className="max-w-xl text-[15px] text-muted">
        Only in a title that loads its settings from a file: save one with A and one with B in it, and choose
        both here. Before every ride you get one of them back under a name that says nothing. Don’t open it.
      </p>
      <div className="flex flex-wrap gap-2">
        {(['a', 'b'] as const).map((side) => (
          <FileButton
            key={side}
            name={`File of ${side.toUpperCase()}`}
            accept=""
            onFile={(file) =>
              file.size > MOST_SLOT_BYTES
                ? notify(`${file.name} is too large for settings: ${most} kB are taken.`, 'fault')
                : onChange({ ...files, [side]: file })
            }
          >
            {side.toUpperCase()}: {files[side]?.name ?? 'choose its file'}
          </FileButton>
        ))}
      </div>
    </div>
  );
}

/** As they are sent. */
export async function filesToSeal({ a, b }: ChosenFiles) {
  if (!a || !b) return null;
  return { a: await sealed(a), b: await sealed(b) };
}

async function sealed(file: File): Promise<{ name: string; base64: string }> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  return {
    name: file.name,
    base64: btoa(bytes.reduce((text, byte) => text + String.fromCharCode(byte), '')),
  };
}
