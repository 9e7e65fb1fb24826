import type { Role } from './roles';

/** Words of the field by which a menu's label is recognised; the first that is found counts. A new word is an entry here. */
const WORDS: readonly [RegExp, Role][] = [
  [/dead ?zone|totzone|zone morte/i, 'deadzone'],
  [/saturation|sättigung/i, 'saturation'],
  [/linearity|gamma|curve|sensitivity curve|linearität|linéarité/i, 'linearity'],
  [/min(imum|\.)? ?force|mindestkraft|force mini/i, 'minForce'],
  [/bump ?stop|car ?lock|wheel lock|steering lock/i, 'lock'],
  [/rotation|degrees|lock to lock|lenkwinkel/i, 'rotation'],
  [/load sens/i, 'loadSensitivity'],
  [/speed sens/i, 'speedSensitivity'],
  [/update rate|refresh|hz\b/i, 'updateRate'],
  [/self.?align|aligning/i, 'selfAlignment'],
  [/mechanical trail|caster/i, 'mechanicalTrail'],
  [/pneumatic trail|tyre trail/i, 'pneumaticTrail'],
  [/understeer/i, 'understeerCue'],
  [/brake.*vibrat|vibrat.*brake/i, 'brakeVibration'],
  [/vibrat/i, 'vibration'],
  [/soft ?stop/i, 'softStop'],
  [/centre|center|centring|centering|spring/i, 'titleSpring'],
  [/damp|dämpf|amort/i, 'titleDamper'],
  [/friction|reibung|frottement/i, 'titleFriction'],
  [/inertia|trägheit|inertie/i, 'titleInertia'],
  [/smooth|filter|glätt|filtre/i, 'titleSmoothing'],
  [/kerb|curb/i, 'kerbEffect'],
  [/off.?(track|road)|grass|gravel/i, 'offtrackEffect'],
  [/road|surface|strasse|straße|route/i, 'roadEffect'],
  [/\babs\b/i, 'absEffect'],
  [/slip|scrub|lock.?up|wheelspin/i, 'slipEffect'],
  [/impact|crash|collision/i, 'impactEffect'],
  [/gain|strength|overall|force feedback|master|stärke|intensité/i, 'gain'],
];

/** On a base's program the same words mean the base's own. */
const OF_BASE: Partial<Record<Role, Role>> = {
  gain: 'strength',
  titleDamper: 'damper',
  titleSpring: 'spring',
  titleFriction: 'friction',
  titleInertia: 'inertia',
  titleSmoothing: 'smoothing',
};
const CHANNELS: readonly [RegExp, Role][] = [
  [/(title|game|sim|pass).*damp|damp.*(title|game|sim|pass|channel|let)/i, 'damperChannel'],
  [/(title|game|sim|pass).*spring|spring.*(title|game|sim|pass|channel|let)/i, 'springChannel'],
  [/torque limit|max.*torque|limit/i, 'torqueLimit'],
  [/interpol|reconstruct/i, 'interpolation'],
  [/speed.*damp|damp.*speed/i, 'speedDamping'],
  [/protect|hands.?off/i, 'protection'],
];

/** What a label most likely is; `other` where no word of the field is in it. */
export function guessRole(label: string, of: 'title' | 'base'): Role {
  const find = (words: readonly [RegExp, Role][]) => words.find(([word]) => word.test(label))?.[1];
  const own = of === 'base' ? find(CHANNELS) : undefined;
  const role = own ?? find(WORDS) ?? 'other';
  return of === 'base' ? (OF_BASE[role] ?? role) : role;
}
