import type { ProofResult } from '../axes/proof';

export interface Proof {
  id: string;
  atMs: number;
  results: ProofResult[];
  /** Fingerprint of the captures and settings that it was made with. */
  basis: string;
}
