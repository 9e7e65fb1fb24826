import '@testing-library/jest-dom';
import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { NumberSlider } from './NumberSlider';
import { remember, remembered } from '@/live/remembered';
import { useKeys } from './useKeys';

beforeAll(() => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

function Held({ start = 10, step = 1 }: { start?: number; step?: number }) {
  const [value, setValue] = useState(start);
  return (
    <NumberSlider
      label="Dead zone"
      min={0}
      max={100}
      step={step}
      neutral={0}
      value={value}
      ghost={start}
      onChange={setValue}
    />
  );
}

describe('number slider', () => {
  const number = () => screen.getByRole('textbox', { name: 'Dead zone, number' });

  it('moves by one step, by ten, to the ends, and by a typed number on its grid', async () => {
    render(<Held step={5} />);
    const user = userEvent.setup();
    screen.getByRole('slider').focus();
    await user.keyboard('{ArrowRight}');
    expect(number()).toHaveValue('15');
    await user.keyboard('{PageUp}');
    expect(number()).toHaveValue('65');
    await user.keyboard('{End}');
    expect(number()).toHaveValue('100');
    await user.keyboard('{Home}');
    expect(number()).toHaveValue('0');
    await user.clear(number());
    await user.type(number(), '42{Enter}');
    expect(number()).toHaveValue('40');
    await user.clear(number());
    await user.type(number(), '700{Enter}');
    expect(number()).toHaveValue('100');
  });

  it('forgets what is no number, and goes to neutral on a double click', async () => {
    render(<Held />);
    const user = userEvent.setup();
    await user.clear(number());
    await user.type(number(), 'much{Enter}');
    expect(number()).toHaveValue('10');
    fireEvent.doubleClick(screen.getByRole('slider').closest('[data-orientation]')!);
    expect(number()).toHaveValue('0');
  });
});

describe('keys', () => {
  const pressed: string[] = [];
  function Page({ station }: { station: boolean }) {
    useKeys({ u: () => pressed.push('frame u'), a: () => pressed.push('frame a') }, 0);
    return station ? <Station /> : <input aria-label="typing" />;
  }
  function Station() {
    useKeys({ u: () => pressed.push('station u') });
    return <button>press</button>;
  }
  beforeEach(() => pressed.splice(0));

  it('a station takes its keys before the frame, whichever came first', async () => {
    const user = userEvent.setup();
    const { rerender } = render(<Page station />);
    await user.keyboard('ua');
    rerender(<Page station={false} />);
    await user.keyboard('u');
    expect(pressed).toEqual(['station u', 'frame a', 'frame u']);
  });

  it('are silent while somebody types or holds Ctrl', async () => {
    const user = userEvent.setup();
    render(<Page station={false} />);
    await user.click(screen.getByLabelText('typing'));
    await user.keyboard('u');
    screen.getByLabelText('typing').blur();
    await user.keyboard('{Control>}u{/Control}');
    expect(pressed).toEqual([]);
  });
});

it('a browser that keeps nothing is asked in vain, and nothing breaks', () => {
  remember('road', 'open');
  expect(remembered('road')).toBe('open');
  const storage = jest.spyOn(window, 'localStorage', 'get').mockImplementation(() => {
    throw new DOMException('told to keep nothing', 'SecurityError');
  });
  try {
    remember('road', 'closed');
    expect(remembered('road')).toBeNull();
  } finally {
    storage.mockRestore();
  }
});
