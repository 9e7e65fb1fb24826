// The server itself, started by serve.mjs (and by the browser tests): says on standard output when it answers.
import { createServer } from 'node:http';
import { root } from './run.mjs';

const dev = process.argv.includes('--dev');
process.env.NODE_ENV ??= dev ? 'development' : 'production';
const port = Number(process.env.PORT);
const hostname = process.env.HOST ?? '127.0.0.1';

const { default: next } = await import('next');
const app = next({ dev, dir: root, hostname, port });
// Called once the book is open (src/app/startBook.ts); where that fails the reason is said, and the process ends.
const isOpen = new Promise((resolve) => (globalThis.pebbleIsOpen = resolve));
await app.prepare();
await isOpen;
const answer = app.getRequestHandler();

/** What no page of ours ever asks for. */
const METHODS = ['GET', 'HEAD', 'POST', 'OPTIONS'];

const server = createServer((request, response) => {
  if (METHODS.includes(request.method)) return void answer(request, response);
  response.writeHead(405, { allow: METHODS.join(', '), connection: 'close' }).end();
});
server.on('error', (error) => {
  const why =
    error.code === 'EADDRINUSE'
      ? `Something answers at port ${port} already. Close it, or choose another port with PORT.`
      : error.code === 'EACCES'
        ? `Port ${port} is not for everyone. Choose one above 1023 with PORT.`
        : error.message;
  process.stderr.write(`${why}\n`);
  process.exit(1);
});
server.listen(port, hostname, () => process.stdout.write('Answering\n'));
