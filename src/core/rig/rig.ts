import type { RigSpec } from './rigSpec';

export interface Rig {
  id: string;
  name: string;
  spec: RigSpec;
}
