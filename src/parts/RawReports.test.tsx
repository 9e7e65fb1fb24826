import '@testing-library/jest-dom';
import { act, screen } from '@testing-library/react';
import { hydrateRoot } from 'react-dom/client';
import { plainRig } from '@/core/rig/rigSpec';
import { RawReports } from './RawReports';

jest.mock('@/book/write/rigs', () => ({ takeDevice: () => Promise.resolve({ ok: true }) }));

/** What the server draws of it: it knows of no browser that has them. */
const FROM_THE_SERVER = '';

const rig = { id: 'r', name: 'Rig', spec: plainRig({ kind: 'real', axes: {} }) };

it('begins as the server drew it, and offers raw reports once the browser is known to have them', async () => {
  Object.defineProperty(navigator, 'hid', {
    configurable: true,
    value: Object.assign(new EventTarget(), { getDevices: () => Promise.resolve([]) }),
  });
  const place = document.body.appendChild(document.createElement('div'));
  place.innerHTML = FROM_THE_SERVER;
  const faults: unknown[] = [];
  await act(async () => {
    hydrateRoot(place, <RawReports rig={rig} />, { onRecoverableError: (error) => faults.push(error) });
    await Promise.resolve();
  });
  expect(faults).toEqual([]);
  expect(screen.getByRole('button', { name: 'Allow raw reports' })).toBeInTheDocument();
});
