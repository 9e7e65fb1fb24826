import fc from 'fast-check';
import { guarded, isActionBody, isOurs } from './guard';

const asked = (headers: Record<string, string>, method = 'GET') => ({
  method,
  headers: new Headers({ host: '127.0.0.1:4173', ...headers }),
});

it.each<[string, Record<string, string>, string, boolean, boolean]>([
  ['a page by itself', {}, 'GET', true, true],
  ['our own page', { origin: 'http://127.0.0.1:4173', 'sec-fetch-site': 'same-origin' }, 'POST', true, true],
  ['an address that was typed in', { 'sec-fetch-site': 'none' }, 'GET', true, true],
  ['a link from elsewhere', { 'sec-fetch-site': 'cross-site' }, 'GET', true, false],
  ['a form from elsewhere', { 'sec-fetch-site': 'cross-site' }, 'POST', false, false],
  ['the same machine on another port', { 'sec-fetch-site': 'same-site' }, 'POST', false, false],
  ['an origin with another port', { origin: 'http://127.0.0.1:9' }, 'POST', false, false],
  ['an origin with another scheme', { origin: 'https://127.0.0.1:4173' }, 'POST', false, false],
  [
    'a scheme that somebody in front speaks',
    { origin: 'https://127.0.0.1:4173', 'x-forwarded-proto': 'https' },
    'POST',
    true,
    true,
  ],
  ['an origin that hides', { origin: 'null' }, 'POST', false, false],
  ['an origin that begins like ours', { origin: 'http://127.0.0.1:41730' }, 'POST', false, false],
  ['a name that points here', { host: 'pebble.invalid' }, 'GET', false, false],
  ['no name at all', { host: '' }, 'GET', false, false],
])('%s', (_, headers, method, page, data) => {
  expect(isOurs(asked(headers, method), false)).toBe(page);
  expect(isOurs(asked(headers, method), true)).toBe(data);
});

it('a club names its own hosts', () => {
  process.env['PEBBLE_HOSTS'] = 'boathouse.invalid, other.invalid';
  expect(isOurs(asked({ host: 'other.invalid:80', origin: 'http://other.invalid:80' }, 'POST'), true)).toBe(
    true,
  );
  delete process.env['PEBBLE_HOSTS'];
  expect(isOurs(asked({ host: 'other.invalid:80' }), false)).toBe(false);
});

it('a route that stumbles says so to the page in words, and over what to whoever started the program', async () => {
  const said: string[] = [];
  const write = jest.spyOn(process.stderr, 'write').mockImplementation((text) => said.push(String(text)) > 0);
  const route = guarded(() => {
    throw new Error('no such thing', { cause: new Error('the disk is gone') });
  });
  const answer = await route(new Request('http://localhost/api/x?id=7', { headers: { host: 'localhost' } }));
  write.mockRestore();
  expect(answer.status).toBe(500);
  expect(await answer.json()).toMatchObject({ ok: false, problems: [{ code: 'fault' }] });
  expect(said.join('')).toMatch(/^GET \/api\/x: Error: no such thing[\s\S]*because Error: the disk is gone/);
});

it('a guarded route is not even asked by somebody else', async () => {
  const answer = jest.fn(() => new Response('the book'));
  const route = guarded(answer);
  const from = (site: string) =>
    route(
      new Request('http://127.0.0.1:4173/api/backup', {
        headers: { host: '127.0.0.1:4173', 'sec-fetch-site': site },
      }),
    );
  expect((await from('cross-site')).status).toBe(403);
  expect(answer).not.toHaveBeenCalled();
  expect(await (await from('same-origin')).text()).toBe('the book');
});

describe('what is sent to an action', () => {
  const TEXT = 'text/plain;charset=UTF-8';
  it('is a list of plain values, as a page writes it', () => {
    // Texts that begin with the sign are written with two of them.
    const plain = fc
      .jsonValue({ maxDepth: 4 })
      .map((value) =>
        JSON.stringify([value], (_, part: unknown) =>
          typeof part === 'string' ? part.replace(/^\$/, '$$$$') : part,
        ),
      );
    fc.assert(fc.property(plain, (body) => isActionBody(TEXT, body)));
    for (const value of ['$undefined', '$NaN', '$-Infinity', '$-0', '$D2026-01-05T19:03:00.000Z', '$n12'])
      expect(isActionBody(TEXT, JSON.stringify([{ value }]))).toBe(true);
  });
  it('may say by the way to it what stands there twice', () => {
    const twice =
      '[{"spec":{"rim":{"b":1},"software":[{"c":2}]},"seen":{"rim":"$0:0:spec:rim","one":"$0:0:spec:software:0"}}]';
    expect(isActionBody(TEXT, twice)).toBe(true);
  });
  it.each([
    ['no JSON', '{no list', TEXT],
    ['no list', '{"a":1}', TEXT],
    ['a reference to what is not there', '["$F1"]', TEXT],
    ['a promise of what is not there', '[{"a":["$@1"]}]', TEXT],
    ['lists in lists without end', '['.repeat(100) + ']'.repeat(100), TEXT],
    ['a way that leads nowhere', '[{"a":"$0:0:b"}]', TEXT],
    ['a way to what every object has', '[{"a":"$0:0:constructor"}]', TEXT],
    ['a way into itself', '[{"a":"$0:0"}]', TEXT],
    ['a way to what comes later', '[{"a":"$0:0:b","b":{}}]', TEXT],
    ['a form', '[]', 'multipart/form-data; boundary=x'],
    ['nobody knows what', '[]', null],
  ])('%s is none', (_, body, type) => {
    expect(isActionBody(type, body)).toBe(false);
  });
});
