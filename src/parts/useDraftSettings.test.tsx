import { act, fireEvent, renderHook, screen } from '@testing-library/react';
import { SMALL_MENUS } from '@/core/testing/smallMenus';
import type { BookView } from '@/book/model/bookView';
import { useDraftSettings } from './useDraftSettings';

const applyChanges = jest.fn();
jest.mock('@/book/write/settings', () => ({
  applyChanges: (...args: unknown[]) => applyChanges(...args) as unknown,
}));

const START = { layer: 'title', axis: 'brake', field: 'start' } as const;
const GAIN = { layer: 'title', axis: 'steering', field: 'gain' } as const;
const view = (settings: BookView['settings'] = {}) => ({ menus: SMALL_MENUS, settings }) as BookView;

const draft = (settings: BookView['settings'] = {}, cautionOf?: Parameters<typeof useDraftSettings>[2]) =>
  renderHook(({ settings: now }) => useDraftSettings(view(now), 'Tried on the slider.', cautionOf), {
    initialProps: { settings },
  });
/** What was sent to be kept, last. */
const kept = () => (applyChanges.mock.lastCall as [unknown[]])[0];

beforeEach(() => applyChanges.mockReset().mockResolvedValue({ ok: true }));

it('what is tried is seen and not kept; put back, it is gone', () => {
  const { result } = draft({ 'title/brake/start': 3 });
  act(() => result.current.attempt(START, 8));
  expect(result.current.values).toEqual({ 'title/brake/start': 8 });
  expect(result.current.changed).toEqual([{ key: START, from: 3, to: 8 }]);
  expect(applyChanges).not.toHaveBeenCalled();
  act(() => result.current.reset());
  expect(result.current).toMatchObject({ values: { 'title/brake/start': 3 }, changed: [] });
});

it('takes no value that its menu does not take', () => {
  const { result } = draft();
  act(() => result.current.attempt(START, 101));
  act(() => result.current.attempt(START, 0.5));
  act(() => result.current.attempt({ ...START, axis: 'clutch' }, 5));
  expect(result.current.changed).toEqual([]);
});

it('several attempts in one go build on each other', () => {
  const { result } = draft();
  act(() => {
    result.current.attempt(START, 4);
    result.current.attempt(GAIN, 7);
    result.current.attempt(START, 6);
  });
  expect(result.current.values).toEqual({ 'title/brake/start': 6, 'title/steering/gain': 7 });
});

it('what is tried back to where it was is no change', () => {
  const { result } = draft({ 'title/brake/start': 3 });
  act(() => result.current.attempt(START, 8));
  act(() => result.current.attempt(START, 3));
  expect(result.current.changed).toEqual([]);
});

it('is kept with what the page saw, so that a later window overwrites nothing', async () => {
  const { result } = draft({ 'title/brake/start': 3 });
  act(() => result.current.attempt(START, 8));
  await act(() => result.current.keep(true));
  expect(kept()).toEqual([{ ...START, to: 8, seen: 3, why: 'Tried on the slider.', forEveryone: true }]);
  expect(result.current.changed).toEqual([]);
});

it('a neutral is kept as nothing, and what is refused stays tried', async () => {
  applyChanges.mockResolvedValue({
    ok: false,
    problems: [{ code: 'changed-meanwhile', message: 'It is 5 by now.', place: {}, remedy: '' }],
  });
  const { result } = draft({ 'title/brake/start': 3 });
  act(() => result.current.attempt(START, null));
  await act(() => result.current.keep());
  expect(kept()).toMatchObject([{ to: null, seen: 3 }]);
  expect(result.current.changed).toEqual([{ key: START, from: 3, to: null }]);
});

it('follows the book: what was kept elsewhere meanwhile is what it starts from', () => {
  const { result, rerender } = draft({ 'title/brake/start': 3 });
  act(() => result.current.attempt(GAIN, 7));
  rerender({ settings: { 'title/brake/start': 5 } });
  expect(result.current.values).toEqual({ 'title/brake/start': 5, 'title/steering/gain': 7 });
  expect(result.current.changed).toEqual([{ key: GAIN, from: null, to: 7 }]);
});

describe('a caution', () => {
  const heavy = (values: BookView['settings']) =>
    Number(values['title/steering/gain'] ?? 5) > 7
      ? `The rim pulls with ${String(values['title/steering/gain'])}.`
      : null;

  it('is said before it is kept, and the next keep keeps', async () => {
    const { result } = draft({}, heavy);
    act(() => result.current.attempt(GAIN, 9));
    expect(result.current).toMatchObject({ caution: 'The rim pulls with 9.', isSaid: false });
    await act(() => result.current.keep());
    expect(applyChanges).not.toHaveBeenCalled();
    expect(result.current.isSaid).toBe(true);
    await act(() => result.current.keep());
    expect(applyChanges).toHaveBeenCalledTimes(1);
  });

  it('of another value is another caution: it is said anew', async () => {
    const { result } = draft({}, heavy);
    act(() => result.current.attempt(GAIN, 8));
    await act(() => result.current.keep());
    act(() => result.current.attempt(GAIN, 10));
    expect(result.current.isSaid).toBe(false);
    await act(() => result.current.keep());
    expect(applyChanges).not.toHaveBeenCalled();
  });

  it('is none where nothing is changed, however heavy it is already', () => {
    expect(draft({ 'title/steering/gain': 9 }, heavy).result.current.caution).toBeNull();
  });
});

it('K keeps and U puts back while something is tried, and are left to others when nothing is', async () => {
  const { result } = draft();
  fireEvent.keyDown(document.body, { key: 'k' });
  expect(applyChanges).not.toHaveBeenCalled();
  act(() => result.current.attempt(START, 4));
  fireEvent.keyDown(document.body, { key: 'u' });
  expect(result.current.changed).toEqual([]);
  act(() => result.current.attempt(START, 4));
  await act(async () => void fireEvent.keyDown(document.body, { key: 'k' }));
  expect(kept()).toMatchObject([{ to: 4 }]);
  expect(screen.queryByRole('alert')).toBeNull();
});
