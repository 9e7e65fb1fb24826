import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { HERE_COOKIE, hereText } from '../src/book/model/here';
import { startServer, TEMPLATES, type BookName } from './server';

const EVENING = {
  rigId: 'gannet',
  titleId: 'hill-and-hollow',
  carId: 'spindrift-h4',
  driver: 'Late shift',
  branch: '',
};
const LAST_ASKED = 'demo-asked-gamma';

/** Makes one demo book and one empty book; every test works on a copy, which opens in a second. */
export default async function prepareBooks() {
  rmSync(TEMPLATES, { force: true, recursive: true });
  for (const book of ['demo', 'empty'] satisfies BookName[]) {
    const folder = join(TEMPLATES, book);
    mkdirSync(folder, { recursive: true });
    const server = await startServer(folder, book);
    // What is worked out once is worked out here, not in every test.
    if (book === 'demo') {
      await fetch(`${server.url}/axes/brake`);
      await eveningIsDriven(server.url);
    }
    await server.stop();
  }
}

/** The demo’s evening is driven beside the server; a copy in which it was not over would go on with it in every test. */
async function eveningIsDriven(url: string): Promise<void> {
  const headers = { cookie: `${HERE_COOKIE}=${encodeURIComponent(hereText(EVENING))}` };
  const deadline = Date.now() + 300_000;
  while (Date.now() < deadline) {
    const answer = await fetch(`${url}/api/experiments/along?id=${LAST_ASKED}`, { headers });
    if (answer.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 1000));
  }
  throw new Error('the demo’s evening was not driven in five minutes');
}
