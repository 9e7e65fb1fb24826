import fc from 'fast-check';
import { TITLES } from '@/catalog/titles';
import { titleDocument } from '@/catalog/ownTitle';
import { respond } from '@/core/response/compose';
import type { MenuField } from '@/core/response/menuSchema';
import { layerFromSettings } from '@/core/response/settings';
import { baseProgramSchema } from '@/core/rig/rigSpec';
import { placed } from '@/core/titles/place';
import { SHAPES, startingFields } from '@/core/titles/startingShapes';
import {
  emptyField,
  formFields,
  formOfTitle,
  meaning,
  menuFormSchema,
  PROBE_INPUTS,
  programFields,
  programOf,
  titleOf,
  type MenuFieldForm,
  type MenuForm,
} from './menuForm';

/** Fields as some title has them, and a value that each is read at. */
const TRUTH = {
  deadzone: { min: 0, max: 40, step: 1, neutral: 0, maps: { kind: 'deadzone-amount', full: 40 }, at: 10 },
  saturation: {
    min: 40,
    max: 100,
    step: 1,
    neutral: 100,
    maps: { kind: 'saturation-end', full: 100 },
    at: 80,
  },
  linearity: { min: 0.5, max: 3, step: 0.1, neutral: 1, maps: { kind: 'gamma-direct' }, at: 2 },
} as const satisfies Record<string, Omit<MenuField, 'key' | 'label'> & { at: number }>;
type Read = keyof typeof TRUTH;

/** What somebody types who reads that title's screen to a tenth of a percent. */
function readOff(role: Read): MenuFieldForm {
  const { maps, at, ...numbers } = TRUTH[role];
  const field = { key: role, label: role, ...numbers, maps };
  const layer = layerFromSettings({ name: 'T', axis: 'brake', fields: [field] }, { [role]: at });
  return {
    ...emptyField('Menu'),
    ...placed('every'),
    ...numbers,
    label: role,
    role,
    probe: at,
    shown: PROBE_INPUTS.map((input) => Math.round(1000 * respond([layer], input / 100)) / 10),
  };
}

const form = (fields: MenuFieldForm[], part: Partial<MenuForm> = {}): MenuForm => ({
  name: 'Ferry Lane',
  rotation: 'direct',
  forceHz: null,
  axes: ['brake'],
  fields,
  ...part,
});
const faults = (described: MenuForm) => {
  const read = menuFormSchema.safeParse(described);
  return read.success ? [] : read.error.issues.map(({ path }) => path.join('.'));
};
const gain = (part: Partial<MenuFieldForm> = {}): MenuFieldForm => ({
  ...emptyField('Menu'),
  label: 'Gain',
  role: 'gain',
  neutral: 50,
  ...part,
});

describe('what the numbers of a field mean', () => {
  it.each(Object.keys(TRUTH) as Read[])('%s: what was read says it, and is known then', (role) => {
    const field = readOff(role);
    expect(meaning(field)).toEqual({ maps: TRUTH[role].maps, how: 'probed' });
    const [made] = titleOf(form([field]), null)!.pages[0]!.fields;
    expect(made).toMatchObject({ evidence: 'measured', maps: TRUTH[role].maps });
  });

  it('readings that fit nothing, or none at all, leave it as is usual, and say so', () => {
    const field = readOff('deadzone');
    expect(meaning({ ...field, shown: [90, 10, 50] })?.how).toBe('usual');
    expect(meaning({ ...field, probe: null })?.how).toBe('usual');
    expect(titleOf(form([{ ...field, probe: null }]), null)!.pages[0]!.fields[0]!.evidence).toBe('assumed');
  });

  it('what was said counts where nothing was read', () => {
    const maps = { kind: 'deadzone-amount', full: 80 } as const;
    expect(meaning({ ...readOff('deadzone'), probe: null, maps })).toEqual({ maps, how: 'said' });
    // What was read once is known as read, whether or not it is read again.
    const kept = { ...readOff('deadzone'), probe: null, maps, isMeasured: true };
    expect(meaning(kept)).toEqual({ maps, how: 'probed' });
  });
});

describe('what can’t be is said beside its field', () => {
  it('names, numbers, and two fields that do one thing on one control', () => {
    expect(faults(form([gain()]))).toEqual([]);
    expect(faults(form([gain()], { name: '' }))).toEqual(['name']);
    expect(faults(form([]))).toEqual(['fields']);
    expect(faults(form([gain({ max: null })]))).toEqual(['fields.0.max']);
    expect(faults(form([gain({ step: 3 })]))).toEqual(['fields.0.step']);
    expect(faults(form([gain(), gain({ label: 'Strength' })]))).toEqual(['fields.1.role']);
    expect(faults(form([gain(), gain({ label: 'For the car', ...placed('car') })]))).toEqual([]);
    const something = { role: 'other' as const };
    expect(faults(form([gain(something), gain({ ...something, label: 'Another' })]))).toEqual([]);
  });

  it('an unfinished form is no title and no base', () => {
    fc.assert(
      fc.property(fc.constantFrom('min', 'max', 'step', 'neutral', 'label'), (part) => {
        const open = form([gain(part === 'label' ? { label: ' ' } : { [part]: null })]);
        expect([titleOf(open, null), programOf(open)]).toEqual([null, null]);
      }),
    );
  });
});

it.each(TITLES.map((title) => [title.name, title] as const))(
  '%s opened in the form and kept is the same',
  (_, title) => {
    const document = titleDocument(title);
    const again = titleOf(form([], { ...formOfTitle(document), name: document.name }), document)!;
    expect(again).toEqual({ ...document, cars: null, tracks: null });
  },
);

it.each(Object.entries(SHAPES))('a base begun with %s and opened again is the same program', (_, shape) => {
  const program = programOf(form(formFields(startingFields(shape, 'base', 'Base')), { name: 'Loft base' }))!;
  expect(baseProgramSchema.parse(program)).toEqual(program);
  const again = programOf(
    form(formFields(programFields(program)), { name: 'Loft base', axes: program.axes }),
  );
  expect(again).toEqual(program);
});
