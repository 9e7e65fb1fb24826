import '@testing-library/jest-dom';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { BookView } from '@/book/model/bookView';
import { plainRig, type RigSpec } from '@/core/rig/rigSpec';
import { leaveGuarded, UnsavedDialog } from '@/ui/unsavedGuard';
import { RigStation } from './RigStation';

const saveRig = jest.fn();
jest.mock('@/book/write/rigs', () => ({
  copyRig: jest.fn(),
  saveRig: (...args: unknown[]) => saveRig(...args) as unknown,
}));
jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: jest.fn() }) }));
jest.mock('@/parts/AxisSources', () => ({ AxisSources: () => null }));

const PLAIN = plainRig({ kind: 'real', axes: {} });
const SPEC: RigSpec = { ...PLAIN, cabling: 3, pedals: { ...PLAIN.pedals, brake: 'load-cell' } };

function open(spec = SPEC) {
  const view = { rig: { id: 'loft', name: 'Loft', spec } } as BookView;
  return render(
    <>
      <a href="/ready">Ready</a>
      <RigStation view={view} />
      <UnsavedDialog />
    </>,
  );
}
const field = (name: string) => screen.getByRole('textbox', { name });
const keep = () => screen.getByRole('button', { name: 'Keep' });
/** What the command was told last. */
const kept = () => (saveRig.mock.lastCall as [{ name: string; spec: RigSpec; seen: { spec: RigSpec } }])[0];

describe('the form of a rig', () => {
  beforeEach(() => saveRig.mockReset().mockResolvedValue({ ok: true }));

  it('has nothing to keep until something is written, and Enter keeps it', async () => {
    open();
    expect(keep()).toBeDisabled();
    await userEvent.type(field('Rated torque'), '9,5{Enter}');
    await waitFor(() => expect(saveRig).toHaveBeenCalledTimes(1));
    expect(kept().spec).toEqual({ ...SPEC, base: { ...SPEC.base, torqueNm: 9.5 } });
    // Where the axes come from is as the book has it, in what is written and in what was seen.
    expect(kept().seen.spec).toEqual(SPEC);
    await waitFor(() => expect(keep()).toBeDisabled());
  });

  it('says beside the field what is wrong, and keeps nothing until it is mended', async () => {
    open();
    await userEvent.type(field('Rated torque'), '900{Enter}');
    await waitFor(() => expect(field('Rated torque')).toHaveAccessibleDescription('It must be at most 60.'));
    expect(field('Rated torque')).toBeInvalid();
    expect(saveRig).not.toHaveBeenCalled();
    await userEvent.clear(field('Rated torque'));
    await userEvent.type(field('Rated torque'), '9{Enter}');
    await waitFor(() => expect(saveRig).toHaveBeenCalledTimes(1));
    expect(field('Rated torque')).toBeValid();
  });

  it('a contradiction stands beside the number to look at', async () => {
    open({ ...SPEC, base: { ...SPEC.base, maxRotationDeg: 540 } });
    await userEvent.type(field('Set to'), '900{Enter}');
    await waitFor(() =>
      expect(field('Set to')).toHaveAccessibleDescription(
        'The base cannot be set to 900°: its greatest rotation is 540°. Lower the one, or correct the other.',
      ),
    );
  });

  it('a name is needed', async () => {
    open();
    await userEvent.clear(field('Name of the rig'));
    await userEvent.tab();
    await waitFor(() => expect(field('Name of the rig')).toBeInvalid());
  });

  it('what is not there is null, and comes back with its usual values', async () => {
    open();
    const choose = (label: string, name: string) =>
      userEvent.selectOptions(screen.getByRole('combobox', { name: label }), name);
    await choose('Shifter', 'Gates');
    await choose('Handbrake', 'Analogue');
    await choose('Clutch', 'Hall sensor');
    await choose('Clutch paddles', 'Two, analogue');
    await userEvent.click(keep());
    await waitFor(() => expect(saveRig).toHaveBeenCalledTimes(1));
    expect(kept().spec).toMatchObject({
      shifter: { kind: 'gate', gears: 6 },
      handbrake: 'analogue',
      pedals: { clutch: 'hall' },
      paddles: true,
    });
    await waitFor(() => expect(keep()).toBeDisabled());
    for (const label of ['Shifter', 'Handbrake', 'Clutch']) await choose(label, 'There is none');
    await userEvent.click(keep());
    await waitFor(() => expect(saveRig).toHaveBeenCalledTimes(2));
    expect(kept().spec).toMatchObject({ shifter: null, handbrake: null, pedals: { clutch: null } });
  });

  it('a scale of brake force is asked of load cells alone, and judged as a whole', async () => {
    open();
    await userEvent.click(screen.getByRole('button', { name: 'The base scales the brake force' }));
    await userEvent.clear(field('Brake force now'));
    await userEvent.type(field('Brake force now'), '120{Enter}');
    await waitFor(() =>
      expect(field('Brake force now')).toHaveAccessibleDescription(/lies outside its scale.*from 0 to 100/),
    );
    await userEvent.click(screen.getByRole('button', { name: 'It has no such scale' }));
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Brake' }), 'Hall sensor');
    expect(screen.queryByRole('button', { name: 'The base scales the brake force' })).toBeNull();
  });

  it('versions are added, corrected and taken out', async () => {
    open();
    const add = () => userEvent.click(screen.getByRole('button', { name: 'Add a version' }));
    await add();
    await add();
    await userEvent.clear(screen.getAllByRole('textbox', { name: 'Version' })[1]!);
    await userEvent.type(screen.getAllByRole('textbox', { name: 'Version' })[1]!, '2.4');
    await userEvent.click(screen.getByRole('button', { name: 'Take out base 1.0' }));
    await userEvent.click(keep());
    await waitFor(() => expect(saveRig).toHaveBeenCalledTimes(1));
    expect(kept().spec.software).toMatchObject([{ part: 'motor', version: '2.4' }]);
  });

  it('what is refused stays in the form', async () => {
    saveRig.mockResolvedValue({
      ok: false,
      problems: [{ code: 'rig-exists', message: 'There is one.', place: {}, remedy: '' }],
    });
    open();
    await userEvent.type(field('Mounting'), 'on the desk{Enter}');
    await waitFor(() => expect(saveRig).toHaveBeenCalled());
    expect(field('Mounting')).toHaveValue('on the desk');
    expect(keep()).toBeEnabled();
  });
});

describe('leaving a form', () => {
  const asked = () => screen.queryByRole('alertdialog');
  const write = () => userEvent.type(field('Mounting'), 'on the desk');

  it('is free as long as everything is kept', async () => {
    open();
    const go = jest.fn();
    act(() => leaveGuarded(go));
    expect(go).toHaveBeenCalledTimes(1);
    expect(asked()).toBeNull();
    expect(window.dispatchEvent(new Event('beforeunload', { cancelable: true }))).toBe(true);
  });

  it('with something that is not kept is asked about: by a link, a key, or closing the page', async () => {
    open();
    await write();
    expect(window.dispatchEvent(new Event('beforeunload', { cancelable: true }))).toBe(false);
    const link = screen.getByRole('link', { name: 'Ready' });
    expect(fireEvent.click(link)).toBe(false);
    const dialog = await screen.findByRole('alertdialog', {
      name: 'What you wrote of the rig is not kept yet',
    });
    await userEvent.click(within(dialog).getByRole('button', { name: 'Stay here' }));
    expect(asked()).toBeNull();
    expect(field('Mounting')).toHaveValue('on the desk');

    const go = jest.fn();
    act(() => leaveGuarded(go));
    await userEvent.click(await screen.findByRole('button', { name: 'Leave it behind' }));
    expect(go).toHaveBeenCalledTimes(1);
  });

  it('a link that saves a file or opens another page leaves nothing', async () => {
    open();
    await write();
    const link = screen.getByRole<HTMLAnchorElement>('link', { name: 'Ready' });
    const passes = () => {
      // The browser of the tests goes nowhere.
      link.addEventListener('click', (event) => event.preventDefault(), { once: true });
      fireEvent.click(link);
      return asked() === null;
    };
    link.href = '/api/rides/file?id=1';
    expect(passes()).toBe(true);
    link.href = '/ready';
    link.target = '_blank';
    expect(passes()).toBe(true);
  });

  it('asks nothing any more once the form is gone', async () => {
    const { unmount } = open();
    await write();
    unmount();
    const go = jest.fn();
    leaveGuarded(go);
    expect(go).toHaveBeenCalledTimes(1);
  });
});
