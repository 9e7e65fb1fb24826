import { EFFECTS } from '@/core/force/effects';
import { effectParameter, isForceField, parametersOn } from '@/core/force/forceParameters';
import { PANELS, panelOf, settingsOn } from './forcePanels';

it('opens the part that is asked for, and the first where none of that name is', () => {
  expect(panelOf('smooth')).toBe('smooth');
  expect(panelOf('nonsense')).toBe('strength');
  expect(panelOf(undefined)).toBe('strength');
});

it('every setting of the force stands on a part of it, in the order in which one works', () => {
  expect(settingsOn('strength')).toEqual(['gain', 'strength', 'torqueLimit']);
  expect(settingsOn('listen')).toEqual(['gain', 'roadEffect', 'kerbEffect', 'smoothing']);
  expect(settingsOn('smooth').slice(0, 3)).toEqual(['smoothing', 'interpolation', 'band6']);
  expect(settingsOn('smooth').slice(-2)).toEqual(['friction', 'inertia']);
  expect(settingsOn('calm').at(-1)).toBe('protection');
  expect([...settingsOn('cars'), ...settingsOn('feels')]).toEqual([]);
});

it('every effect has its gain among the balance, in the order of the effects', () => {
  const gains = EFFECTS.map(effectParameter);
  expect(parametersOn('balance').filter((name) => name.endsWith('Effect'))).toEqual(gains);
  for (const name of PANELS.flatMap(settingsOn)) expect(isForceField(name)).toBe(true);
  expect(isForceField('deadzone')).toBe(false);
});
