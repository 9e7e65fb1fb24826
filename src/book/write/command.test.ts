import { notWritten } from './command';

const coded = (code: string, message = code) => Object.assign(new Error(message), { code });

it('a disk that takes no more, and a server that is gone at the end, are told in words', () => {
  expect(notWritten(coded('ENOSPC'))).toMatchObject({ code: 'not-written' });
  const wrapped = new Error('Failed query: commit', { cause: coded('57P01') });
  for (const lost of [coded('ECONNRESET'), wrapped, new Error('Connection terminated unexpectedly')])
    expect(notWritten(lost)).toMatchObject({
      code: 'not-known',
      remedy: expect.stringMatching(/Reload the page/) as string,
    });
});

it('a fault of ours is none of the reader’s: it is thrown on', () => {
  expect(() => notWritten(new Error('x is undefined'))).toThrow('x is undefined');
  expect(() => notWritten('odd')).toThrow('odd');
});
