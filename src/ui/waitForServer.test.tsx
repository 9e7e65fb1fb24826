import '@testing-library/jest-dom';
import { render, screen, waitFor } from '@testing-library/react';
import { ServerAway } from './ServerAway';

/** A server that can be stopped, as a page sees it. */
function pretend() {
  let stopped = false;
  const asked: string[] = [];
  window.fetch = ((input: RequestInfo | URL) => {
    asked.push(String(input));
    return stopped
      ? Promise.reject(new TypeError('Failed to fetch'))
      : Promise.resolve({ ok: true } as Response);
  }) as typeof fetch;
  return {
    asked,
    stop: () => (stopped = true),
    start: () => (stopped = false),
  };
}
const page = { headers: { rsc: '1' } };
const settled = async (call: Promise<unknown>) => {
  let isSettled = false;
  void call.then(
    () => (isSettled = true),
    () => (isSettled = true),
  );
  await Promise.resolve();
  await new Promise((resolve) => setTimeout(resolve, 0));
  return isSettled;
};
const plainFetch = window.fetch;
afterEach(() => {
  window.fetch = plainFetch;
});

it('whoever goes to another page waits while the server is away, is told so, and gets there when it is back', async () => {
  const server = pretend();
  render(<ServerAway />);
  expect(screen.getByRole('alert')).toBeEmptyDOMElement();
  server.stop();
  const call = window.fetch('/shape', page);
  expect(await screen.findByText(/has stopped. This page stays as it is/)).toBeVisible();
  expect(await settled(call)).toBe(false);
  server.start();
  expect(await call).toEqual({ ok: true });
  await waitFor(() => expect(screen.getByRole('alert')).toBeEmptyDOMElement());
  expect(server.asked.filter((path) => path === '/shape')).toHaveLength(2);
});

it('what is no page is told at once, and so is a page that the router gave up', async () => {
  const server = pretend();
  const { unmount } = render(<ServerAway />);
  server.stop();
  await expect(window.fetch('/api/rides', { method: 'POST' })).rejects.toThrow('Failed to fetch');
  await expect(
    window.fetch('/shape', { headers: { rsc: '1', 'next-router-prefetch': '1' } }),
  ).rejects.toThrow();
  const left = new AbortController();
  left.abort();
  await expect(window.fetch('/shape', { ...page, signal: left.signal })).rejects.toThrow();
  unmount();
  await expect(window.fetch('/shape', page)).rejects.toThrow('Failed to fetch');
});
