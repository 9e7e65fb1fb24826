import { soundDialect } from '@/core/formats/dialectJson';
import { baseProgramSchema, type BaseProgram } from '@/core/rig/rigSpec';
import { baseMenus } from './bases';
import { carById, simulatedRigById, titleById } from './find';
import { menusFor } from './menusFor';
import { SIMULATED_RIGS } from './simulatedRigs';

const program: BaseProgram = {
  name: 'Loft base',
  steering: [
    {
      key: 'rotation',
      label: 'Rotation',
      min: 180,
      max: 1080,
      step: 10,
      neutral: 900,
      maps: { kind: 'degrees', of: 'rotation' },
    },
  ],
  axes: ['throttle'],
  fields: [
    {
      key: 'deadzone',
      label: 'Slack',
      min: 0,
      max: 20,
      step: 1,
      neutral: 0,
      maps: { kind: 'deadzone-amount', full: 100 },
    },
  ],
};

it('every base of the catalogue has menus that hold', () => {
  for (const { spec } of SIMULATED_RIGS)
    for (const menu of Object.values(baseMenus(spec))) expect(soundDialect(menu.dialect, '').ok).toBe(true);
});

it('a base that its owner described has those menus and no others', () => {
  const { spec } = simulatedRigById('tern');
  const described = { ...spec, base: { ...spec.base, program: baseProgramSchema.parse(program) } };
  const { base } = menusFor(described, titleById('causeway'), carById('marl-850'));
  expect(Object.keys(base)).toEqual(['steering', 'throttle']);
  expect(base.throttle!.dialect).toMatchObject({
    name: 'Loft base',
    axis: 'throttle',
    fields: program.fields,
  });
});
