import { listed } from './listed';

it.each<[string[], string]>([
  [[], ''],
  [['wheel'], 'wheel'],
  [['wheel', 'pedals'], 'wheel and pedals'],
  [['wheel', 'pedals', 'shifter'], 'wheel, pedals and shifter'],
])('%j reads as “%s”', (names, said) => {
  expect(listed(names)).toBe(said);
});
