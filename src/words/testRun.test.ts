import { COMPLAINTS } from '@/core/feel/complaints';
import { saidOf, TEST_PARTS, testOutcome, type TestWay } from '@/core/feel/testRun';
import { forceSentence, leadOf, outcomeSentence, saidWords } from './testRun';

const sentence = (said: string, way: TestWay) => outcomeSentence(testOutcome(saidOf(said, way), way));
const ALL_RIGHT = TEST_PARTS.map(({ name }) => `${name}.right`).join(',');

it('says the first thing first, and how many come after it', () => {
  expect(sentence('straight.nervous', 'title')).toBe('First: nervous around the centre');
  expect(sentence('straight.nervous,hairpin.out-of-lock', 'here')).toBe(
    'First: nervous around the centre, and 1 more after it',
  );
  expect(sentence('straight.right,hairpin.out-of-lock', 'here')).toBe('First: I ran out of wheel');
});

it('claims no more than was asked', () => {
  expect(sentence('straight.right,hairpin.right', 'title')).toBe('2 of 7 parts driven so far');
  expect(sentence('straight.left-out,hairpin.right', 'title')).toBe('1 of 7 parts driven so far');
  expect(sentence(ALL_RIGHT, 'title')).toBe('All that was asked is right');
  expect(sentence(ALL_RIGHT.replace('kerb.right', 'kerb.else'), 'title')).toBe(
    'Nothing of what was named; something else is not right',
  );
  const here = 'straight.right,hairpin.right,sweep.whole,kerb.whole,grass.left-out,roll.right,launch.right';
  expect(sentence(here, 'here')).toBe('All that was asked is right');
  expect(sentence('straight.right,hairpin.right,sweep.clips', 'here')).toBe(
    'Nothing felt wrong so far, but the force was at its end: a fast bend',
  );
});

it('says of the force that it is simulated, or that nothing is known of it', () => {
  const of = { sustainedShare: 0, gainKeepEveryPeak: null, gainTradeBiggestHits: null };
  expect(forceSentence({ ...of, clipShare: 0.031, headroomDb: -1 })).toBe(
    'Simulated: the force was at its end for 3.1 % of it.',
  );
  expect(forceSentence({ ...of, clipShare: 0, headroomDb: 20 * Math.log10(1 / 0.71) })).toBe(
    'Simulated: nothing was at its end; the strongest was 71 % of the scale.',
  );
  expect(forceSentence({ ...of, clipShare: 0, headroomDb: null })).toMatch(/no force at all/);
  expect(forceSentence(null)).toMatch(/not described/);
});

it('leads every feeling to a page, and every complaint to its own place in the finder', () => {
  for (const { title, here } of TEST_PARTS)
    for (const feeling of [...title.feelings, ...(here?.feelings ?? [])]) {
      expect(leadOf(feeling).path).toMatch(/^\/[a-z]/);
      expect(saidWords(feeling.id, feeling)).toBe(feeling.words);
      if ('complaint' in feeling.leads) {
        const { complaint } = feeling.leads;
        expect(COMPLAINTS.some(({ id }) => leadOf(feeling).path === `/force?part=feels&like=${id}`)).toBe(
          true,
        );
        expect(leadOf(feeling).path).toContain(complaint);
      }
    }
});
