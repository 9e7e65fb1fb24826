import type { ComponentType } from 'react';
import { AdviseTask } from './AdviseTask';
import { CaptureTask } from './CaptureTask';
import { CardTask } from './CardTask';
import { DoneTask } from './DoneTask';
import { LeastForceTask } from './LeastForceTask';
import { ProofTask } from './ProofTask';
import { ReadyTask } from './ReadyTask';
import { TeachTask } from './TeachTask';
import type { SeatTask, TaskProps } from './task';

/** What draws a task of each kind. A new kind of task is an entry here, and its place in a go (`task.ts`). */
export const TASK_VIEWS: {
  [K in SeatTask['kind']]: ComponentType<TaskProps & Omit<Extract<SeatTask, { kind: K }>, 'kind'>>;
} = {
  teach: TeachTask,
  ready: ReadyTask,
  capture: CaptureTask,
  advise: AdviseTask,
  proof: ProofTask,
  card: CardTask,
  least: LeastForceTask,
  done: DoneTask,
};
