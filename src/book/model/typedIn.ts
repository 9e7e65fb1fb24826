export interface TypedInView {
  atMs: number;
  version: string;
  /** What changed since, in words; nothing where the title still holds what the card says. */
  since: string[];
  /** Keys of the settings that changed since. */
  changed: string[];
}
