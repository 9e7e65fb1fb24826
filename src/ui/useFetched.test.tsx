import '@testing-library/jest-dom';
import { fireEvent, render, screen } from '@testing-library/react';
import { ChartPlace } from './Chart';
import { fetchJson, useFetched } from './useFetched';

const asked: string[] = [];
const ANSWERS: Record<string, { status: number; value: unknown }> = {
  '/a': { status: 200, value: 'one' },
  '/b': { status: 200, value: 'two' },
  '/gone': { status: 404, value: null },
};
beforeEach(() => {
  asked.length = 0;
  window.fetch = ((url: string, { signal }: RequestInit = {}) => {
    asked.push(url);
    if (signal?.aborted) return Promise.reject(new DOMException('aborted', 'AbortError'));
    const { status, value } = ANSWERS[url]!;
    return Promise.resolve({ ok: status === 200, status, json: () => Promise.resolve(value) } as Response);
  }) as typeof fetch;
});

function Shown({ url }: { url: string | null }) {
  const { value, fault } = useFetched<string>(url);
  return <p>{fault ?? value ?? 'waiting'}</p>;
}

function Again({ url }: { url: string }) {
  const fetched = useFetched<string>(url);
  return fetched.value ? <p>{fetched.value}</p> : <ChartPlace className="" of={fetched} />;
}

it('waits, shows what came, and asks once for what it has', async () => {
  const { rerender, unmount } = render(<Shown url="/a" />);
  expect(screen.getByText('waiting')).toBeInTheDocument();
  expect(await screen.findByText('one')).toBeInTheDocument();
  rerender(<Shown url="/b" />);
  expect(screen.queryByText('one')).not.toBeInTheDocument();
  expect(await screen.findByText('two')).toBeInTheDocument();
  unmount();
  render(<Shown url="/a" />);
  expect(screen.getByText('one')).toBeInTheDocument();
  expect(asked).toEqual(['/a', '/b']);
});

it('says what is wrong, and nothing of it once something else is asked for', async () => {
  const { rerender } = render(<Shown url="/gone" />);
  expect(await screen.findByText(/could not be read \(404\)/)).toBeInTheDocument();
  rerender(<Shown url={null} />);
  expect(screen.getByText('waiting')).toBeInTheDocument();
  expect(asked).toEqual(['/gone']);
});

it('asks once more when it is told to, also where nobody answered', async () => {
  const answers = window.fetch;
  window.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
  render(<Again url="/c" />);
  expect(await screen.findByText('It could not be read: the program does not answer.')).toBeInTheDocument();
  window.fetch = answers;
  ANSWERS['/c'] = { status: 200, value: 'three' };
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(await screen.findByText('three')).toBeInTheDocument();
});

it('an answer to a press is kept as well, a refusal is not', async () => {
  expect(await fetchJson('/b')).toBe('two');
  await expect(fetchJson('/gone')).rejects.toThrow('404');
  await expect(fetchJson('/gone')).rejects.toThrow('404');
  expect(asked).toEqual(['/b', '/gone', '/gone']);
});
