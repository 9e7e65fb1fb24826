import { SIGNAL_CAUSES } from './signalCauses';
import { STEERING_CAUSES } from './steeringCauses';
import { STILLNESS_CAUSES } from './stillnessCauses';
import { WEIGHT_CAUSES } from './weightCauses';

/** What can be behind a feeling, by a name that complaints share. */
export const CAUSES = { ...STEERING_CAUSES, ...STILLNESS_CAUSES, ...SIGNAL_CAUSES, ...WEIGHT_CAUSES };
export type CauseId = keyof typeof CAUSES;
