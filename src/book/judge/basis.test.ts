import { readFileSync } from 'node:fs';
import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { SIMULATED_RIGS } from '@/catalog/simulatedRigs';
import { assumedIn } from '@/core/rig/evidence';
import { plainRig, type RigSpec } from '@/core/rig/rigSpec';
import type { SettingValues } from '@/core/settings/setting';
import { basisOf, rideBasis, rotationInput } from './basis';
import { FIGURES } from './figures';

const [title, car] = [titleById('causeway'), carById('marl-850')];
type Facts = Parameters<typeof basisOf>[0];

function factsOf(spec: RigSpec, captures: Record<string, object> = {}, settings: SettingValues = {}): Facts {
  return {
    rig: { id: 'r', name: 'Rig', spec },
    menus: menusFor(spec, title, car),
    settings,
    origins: {},
    rotation: { baseDeg: 900 },
    car,
    title,
    trackId: 'saltmarsh-loop',
    ownTrack: null,
    axes: ['steering', 'brake'].map((axis) => ({
      axis,
      name: axis,
      capture: captures[axis] ? { analysis: { axis, ...captures[axis] } } : null,
    })),
  } as unknown as Facts;
}
const EMPTY = plainRig({ kind: 'real', axes: {} });
const MEASURED = { steering: { rotationDeg: 900 }, brake: {} };

it('every figure of every station has a basis: docs/figures.md and the table name the same, and each is made of inputs', () => {
  const rows = readFileSync('docs/figures.md', 'utf8')
    .split('\n')
    .filter((line) => line.startsWith('| ') && !/^\| (-|Station)/.test(line))
    .map((line) => line.split('|').map((cell) => cell.trim()))
    .map(([, station, figure]) => `${station}: ${figure}`);
  expect(Object.keys(FIGURES).sort()).toEqual(rows.sort());
  const rigs = [EMPTY, ...SIMULATED_RIGS.map(({ spec }) => spec)];
  for (const spec of rigs)
    for (const captures of [{}, MEASURED]) {
      const facts = factsOf(spec, captures);
      const all = { ...basisOf(facts), ride: rideBasis(facts, { importedFrom: null }) };
      for (const [figure, kind] of Object.entries(FIGURES)) {
        const basis = all[kind];
        if (basis.inputs.length === 0) throw new Error(`${figure} rests on nothing`);
        for (const { says, evidence } of basis.inputs) {
          expect(says).toMatch(/\w/);
          expect(['measured', 'described', 'assumed']).toContain(evidence);
        }
      }
    }
});

it('the rotation is measured, set or written down, or assumed', () => {
  const at = (spec: RigSpec, captures = {}, settings: SettingValues = {}) =>
    rotationInput(factsOf(spec, captures, settings)).evidence;
  expect(at(EMPTY)).toBe('assumed');
  expect(at(EMPTY, {}, { 'base/steering/rotation': 720 })).toBe('described');
  expect(at(simulatedRigById('wren').spec)).toBe('described');
  expect(at(EMPTY, MEASURED)).toBe('measured');
  expect(at(EMPTY, { steering: { rotationDeg: null } })).toBe('assumed');
});

it('what nobody wrote down of a base is said to be assumed wherever it is used', () => {
  const assumed = (spec: RigSpec) => assumedIn(basisOf(factsOf(spec)).calm).join('; ');
  expect(assumed(EMPTY)).toContain('friction 0.2 N·m');
  // The Tern's owner wrote its friction down; nobody has measured its motor.
  expect(assumed(simulatedRigById('tern').spec)).not.toContain('friction');
  expect(assumed(simulatedRigById('tern').spec)).toContain('inertia of the motor');
});

it('a log is measured; a simulated ride has a driver that is nobody', () => {
  const facts = factsOf(simulatedRigById('tern').spec, MEASURED);
  expect(rideBasis(facts, { importedFrom: 'evening.csv' }).evidence).toBe('measured');
  expect(assumedIn(rideBasis(facts, { importedFrom: null }))).toEqual([
    'the line and the speed of the simulated driver',
  ]);
});
