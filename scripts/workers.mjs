// Bundles what the server runs in threads of its own; called by the build, and by the unit tests before they start.
import { bundle } from './bundle.mjs';

export async function ensureWorkers() {
  await bundle('src/data/server.worker.ts', 'server.worker', { conditions: ['react-server'] });
}
