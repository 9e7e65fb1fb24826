import '@testing-library/jest-dom';
import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Notices, notify } from './notices';

/** What is said on the screen, the oldest first; what is read aloud beside it is not counted. */
const said = () => screen.queryAllByRole('listitem').map((item) => item.textContent);

async function readAllAway() {
  for (const button of screen.queryAllByRole('button', { name: 'Close the message' }))
    await userEvent.click(button);
}

describe('messages', () => {
  // The browser of the tests captures no pointers.
  beforeAll(() => {
    Element.prototype.hasPointerCapture = () => false;
  });
  beforeEach(() => void render(<Notices />));
  afterEach(readAllAway);

  it('what was done goes by itself, a fault stays until it is read away', async () => {
    jest.useFakeTimers({ advanceTimers: true });
    act(() => notify('It is kept.'));
    act(() => notify('The book is full.', 'fault'));
    expect(said()).toEqual(['It is kept.', 'The book is full.']);
    act(() => jest.advanceTimersByTime(60_000));
    expect(said()).toEqual(['The book is full.']);
    jest.useRealTimers();
    await readAllAway();
    expect(said()).toEqual([]);
  });

  it('a fault that stands there is not said twice; one that was read away is said again', async () => {
    act(() => notify('The wheel is gone.', 'fault'));
    act(() => notify('The wheel is gone.', 'fault'));
    expect(said()).toEqual(['The wheel is gone.']);
    await readAllAway();
    act(() => notify('The wheel is gone.', 'fault'));
    expect(said()).toEqual(['The wheel is gone.']);
  });

  it('the oldest gives way to the fourth', () => {
    for (const text of ['one', 'two', 'three', 'four']) act(() => notify(text));
    expect(said()).toEqual(['two', 'three', 'four']);
  });

  it('are reached with F8 and read away with Escape, without a pointer', async () => {
    act(() => notify('The book is full.', 'fault'));
    const user = userEvent.setup();
    await user.keyboard('{F8}');
    await user.tab();
    await user.keyboard('{Escape}');
    expect(said()).toEqual([]);
  });
});
