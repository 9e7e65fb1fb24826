import fc from 'fast-check';
import { openSide, sealSide, SEALED_BYTES } from './sealedSide';

const random = fc.uint8Array({ minLength: SEALED_BYTES, maxLength: SEALED_BYTES });

it('what was sealed opens as the same side', () =>
  fc.assert(
    fc.property(random, fc.constantFrom('A' as const, 'B' as const), (bytes, side) => {
      expect(openSide(sealSide(side, bytes))).toBe(side);
    }),
  ));

it('every digit comes as often with A as with B: none of them tells', () => {
  // The two seals of the same random bytes differ in one bit, so over all bytes each is as likely under either side.
  fc.assert(
    fc.property(random, (bytes) => {
      const [a, b] = [sealSide('A', bytes), sealSide('B', bytes)];
      expect(a).toHaveLength(b.length);
      expect(a.slice(2)).toBe(b.slice(2));
      expect(parseInt(a.slice(0, 2), 16) ^ parseInt(b.slice(0, 2), 16)).toBe(1);
      // Of random bytes, the pair with that bit turned round gives the same two seals.
      const turned = Uint8Array.from(bytes);
      turned[0] = turned[0]! ^ 1;
      expect([sealSide('A', turned), sealSide('B', turned)]).toEqual([a, b]);
    }),
  );
});

it('what is no sealed side opens as none', () =>
  expect(['', 'A', 'zz'.repeat(SEALED_BYTES), 'ab'.repeat(SEALED_BYTES + 1)].map(openSide)).toEqual([
    null,
    null,
    null,
    null,
  ]));
