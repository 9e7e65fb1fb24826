import fc from 'fast-check';
import { MOST_SLOT_BYTES, slotsOf } from './slots';

const text = (of: string) => new TextEncoder().encode(of);
const file = (name: string, of: string | Uint8Array) => ({
  name,
  bytes: typeof of === 'string' ? text(of) : of,
});
const code = (...files: Parameters<typeof slotsOf>) => {
  const made = slotsOf(...files);
  return made.ok ? 'ok' : made.problems[0]!.code;
};

it('texts come out with one ending and one size, and say what they said', () => {
  fc.assert(
    fc.property(fc.string({ minLength: 1 }), fc.string({ minLength: 1 }), (a, b) => {
      fc.pre(a !== b && !`${a}${b}`.includes('\0'));
      const made = slotsOf(file('soft.INI', a), file('Hard one.ini', b));
      if (!made.ok) throw new Error('refused');
      expect(made.value.ending).toBe('.ini');
      expect(made.value.a.length).toBe(made.value.b.length);
      for (const [bytes, was] of [
        [made.value.a, a],
        [made.value.b, b],
      ] as const) {
        const now = new TextDecoder('utf-8', { ignoreBOM: true }).decode(bytes);
        expect(now.startsWith(was)).toBe(true);
        expect(now.slice(was.length).trim()).toBe('');
      }
    }),
  );
});

it('what could be told apart from outside, or is no file of settings, is refused by name', () => {
  const bytes = (n: number) => new Uint8Array(n).fill(255);
  expect(code(file('a.bin', bytes(4)), file('b.bin', bytes(5)))).toBe('slot-size');
  expect(code(file('a.bin', new Uint8Array([255, 1])), file('b.bin', new Uint8Array([255, 2])))).toBe('ok');
  expect(code(file('a.ini', 'x'), file('b.xml', 'y'))).toBe('slot-other-kind');
  expect(code(file('a.ini', 'x'), file('b.ini', 'x'))).toBe('slot-same');
  expect(code(file('a.ini', ''), file('b.ini', 'x'))).toBe('slot-empty');
  expect(code(file('a.ini', 'x'), file('b.ini', bytes(MOST_SLOT_BYTES + 1)))).toBe('slot-too-large');
  // A name that only looks like an ending is none.
  const made = slotsOf(file('v1.2 soft setup', 'x'), file('hard', 'yy'));
  expect(made.ok && made.value.ending).toBe('');
});

it('a file of the greatest size is taken, one byte more is not', () => {
  const file = (name: string, size: number, value: number) => ({
    name,
    bytes: new Uint8Array(size).fill(value),
  });
  expect(slotsOf(file('a.ini', MOST_SLOT_BYTES, 65), file('b.ini', 3, 66)).ok).toBe(true);
  expect(slotsOf(file('a.ini', MOST_SLOT_BYTES + 1, 65), file('b.ini', 3, 66))).toMatchObject({
    problems: [{ code: 'slot-too-large' }],
  });
});
