import { notify } from './notices';

const MB = 1024 * 1024;

/**
 * Chooses a file; the same one can be chosen again after it was mended.
 */
export function FileInput({
  label,
  accept,
  mostMb,
  isDisabled = false,
  isLabelHidden = false,
  onFile,
}: {
  label: string;
  accept: string;
  /** Left out where who reads it judges its size. */
  mostMb?: number;
  isDisabled?: boolean;
  isLabelHidden?: boolean;
  onFile(file: File): void;
}) {
  return (
    <label className="grid gap-1">
      <span className={isLabelHidden ? 'sr-only' : ''}>{label}</span>
      <input
        type="file"
        accept={accept}
        disabled={isDisabled}
        className="w-full text-sm file:mr-3 file:min-h-11 file:cursor-pointer file:rounded-lg file:border file:border-line file:bg-ground file:px-3 file:text-ink"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (!file) return;
          if (mostMb !== undefined && file.size > mostMb * MB)
            notify(
              `${file.name} has ${Math.round(file.size / MB)} MB; at most ${mostMb} MB are read.`,
              'fault',
            );
          else onFile(file);
        }}
      />
    </label>
  );
}
