import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { PANELS } from '@/words/forcePanels';
import type { BookView } from '../model/bookView';
import { panelFinding, type PanelFacts } from './forcePanel';

const [title, car] = [titleById('causeway'), carById('marl-850')];
const { spec } = simulatedRigById('tern');
const view = {
  car,
  title,
  rig: { id: 'tern', name: 'Tern', spec },
  menus: menusFor(spec, title, car),
  settings: {},
  names: { car: car.name, rig: 'Tern' },
} as unknown as BookView;
const NOTHING: PanelFacts = { report: null, stability: null, smooth: null };
const KNOWN = {
  report: { judgement: { lostShare: 0.12, clipShare: 0, sustainedShare: 0, headroomDb: 0 } },
  stability: { calm: { roll: { verdict: 'sticks', fromDeg: 5 }, fast: { verdict: 'settles', fromDeg: 5 } } },
  smooth: { smooth: { detail: 0.81, roughness: 2.7 } },
} as unknown as PanelFacts;

it('each part of the force has a heading of its own', () => {
  const said = PANELS.map((panel) => panelFinding(panel, view, KNOWN));
  expect(new Set(said).size).toBe(PANELS.length);
  expect(said).toEqual([
    'Simulated, nothing clips',
    'Friction swallows 12 % of the driving',
    '81 % of the detail reaches the rim, 2.7 times as rough as it is meant',
    'Let go at a slow roll, the rim stays where friction holds it; at speed it comes home',
    'The cars of Causeway, by their force',
    'What the force sounds like',
    'What does it feel like?',
  ]);
});

it('says nothing before it is worked out', () => {
  for (const panel of ['balance', 'smooth', 'calm'] as const)
    expect(panelFinding(panel, view, NOTHING)).toBeNull();
});
