import { act, render } from '@testing-library/react';
import type { Combination } from '@/core/settings/scope';
import { combinationOf, HERE_COOKIE, hereText } from '@/book/model/here';
import { useOwnCombination } from './ownCombination';

const refresh = jest.fn();
jest.mock('next/navigation', () => ({ useRouter: () => router }));
const router = { refresh: () => refresh() as void };

const TERN = { rigId: 'tern', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const WREN = { ...TERN, rigId: 'wren' };

function Tab({ shows }: { shows: Combination }) {
  useOwnCombination(shows);
  return null;
}
const said = () =>
  combinationOf(
    document.cookie
      .split('; ')
      .filter((one) => one.startsWith(`${HERE_COOKIE}=`))
      .map((one) => decodeURIComponent(one.slice(HERE_COOKIE.length + 1)))[0],
  );
const otherTabSays = (combination: Combination) => {
  document.cookie = `${HERE_COOKIE}=${encodeURIComponent(hereText(combination))}; path=/`;
};

beforeEach(() => {
  sessionStorage.clear();
  document.cookie = `${HERE_COOKIE}=; path=/; max-age=0`;
  refresh.mockClear();
});

it('says at once which combination is its own', () => {
  render(<Tab shows={TERN} />);
  expect(said()).toEqual(TERN);
  expect(refresh).not.toHaveBeenCalled();
});

it.each(['focus', 'pointerdown', 'keydown', 'visibilitychange'])(
  'says so again on %s, after another tab has spoken',
  (kind) => {
    render(<Tab shows={TERN} />);
    otherTabSays(WREN);
    act(() => void window.dispatchEvent(new Event(kind)));
    expect(said()).toEqual(TERN);
  },
);

it('follows what is opened from here', () => {
  const { rerender } = render(<Tab shows={TERN} />);
  rerender(<Tab shows={WREN} />);
  expect(said()).toEqual(WREN);
  act(() => void window.dispatchEvent(new Event('focus')));
  expect(said()).toEqual(WREN);
});

it('after a reload that shows another tab’s, asks for its own again', async () => {
  sessionStorage.setItem(HERE_COOKIE, hereText(TERN));
  otherTabSays(WREN);
  let rerender!: ReturnType<typeof render>['rerender'];
  await act(async () => {
    ({ rerender } = render(<Tab shows={WREN} />));
    // While it is asked for, its own is what the cookie says.
    await Promise.resolve();
  });
  expect(refresh).toHaveBeenCalledTimes(1);
  rerender(<Tab shows={TERN} />);
  expect(said()).toEqual(TERN);
  expect(sessionStorage.getItem(HERE_COOKIE)).toBe(hereText(TERN));
});

it('takes what is shown where the book does not know its own any more, and asks no further', async () => {
  sessionStorage.setItem(HERE_COOKIE, hereText({ ...TERN, rigId: 'gone' }));
  await act(async () => {
    render(<Tab shows={WREN} />);
    await Promise.resolve();
  });
  expect(refresh).toHaveBeenCalledTimes(1);
  expect(said()).toEqual(WREN);
});
