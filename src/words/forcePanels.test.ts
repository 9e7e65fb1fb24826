import { panelOf } from './forcePanels';

it('opens the part that is asked for, and the first where none of that name is', () => {
  expect(panelOf('smooth')).toBe('smooth');
  expect(panelOf('nonsense')).toBe('strength');
  expect(panelOf(undefined)).toBe('strength');
});
