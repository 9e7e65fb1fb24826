import fc from 'fast-check';
import { COMPLAINTS } from './complaints';
import {
  askedText,
  CLIPS,
  ELSE,
  heard,
  LEFT_OUT,
  nextPart,
  PART_NAMES,
  questionOf,
  RIGHT,
  saidOf,
  saidText,
  TEST_PARTS,
  TEST_WAYS,
  testOutcome,
  WHOLE,
  type PartAnswer,
  type TestWay,
} from './testRun';

/** What can be said after each part, on either way. */
const sayable = (way: TestWay) =>
  TEST_PARTS.map((part) => {
    const question = questionOf(part, way);
    return question
      ? [RIGHT, ELSE, LEFT_OUT, ...question.feelings.map(({ id }) => id)]
      : [CLIPS, WHOLE, LEFT_OUT];
  });
const anyRun = fc.constantFrom(...TEST_WAYS).chain((way) =>
  fc.record({
    way: fc.constant(way),
    answers: fc
      .tuple(
        fc.nat({ max: TEST_PARTS.length }),
        fc.tuple(...sayable(way).map((all) => fc.constantFrom(...all))),
      )
      .map(([n, said]): PartAnswer[] =>
        said.slice(0, n).map((one, i) => ({ part: PART_NAMES[i]!, said: one })),
      ),
  }),
);

it('holds what was said in an address, to the letter, and goes on with the part after it', () => {
  fc.assert(
    fc.property(anyRun, ({ way, answers }) => {
      expect(saidOf(saidText(answers), way)).toEqual(answers);
      expect(nextPart(answers)?.name ?? null).toBe(PART_NAMES[answers.length] ?? null);
      expect(testOutcome(answers, way).isWhole).toBe(answers.length === PART_NAMES.length);
    }),
  );
});

it('takes from a mangled address only what can have been said, and no more than was driven until there', () => {
  fc.assert(
    fc.property(anyRun, fc.string(), fc.nat({ max: 7 }), ({ way, answers }, junk, at) => {
      const pieces = saidText(answers).split(',');
      pieces.splice(at, 0, junk);
      const read = saidOf(pieces.join(','), way);
      expect(read.length).toBeLessThanOrEqual(TEST_PARTS.length);
      read.forEach(({ part, said }, i) => {
        expect(part).toBe(PART_NAMES[i]);
        expect(sayable(way)[i]).toContain(said);
      });
    }),
  );
  expect(saidOf(undefined, 'here')).toEqual([]);
  expect(saidOf('hairpin.right', 'here')).toEqual([]);
  // What has no question on our own roads cannot have been felt there.
  expect(saidOf('straight.right,hairpin.right,sweep.strong', 'here')).toHaveLength(2);
  expect(saidOf('straight.right,hairpin.right,sweep.strong', 'title')).toHaveLength(3);
});

it('leads every feeling to a complaint that the finder knows, or to what is set there', () => {
  const known = COMPLAINTS.map(({ id }) => id);
  for (const part of TEST_PARTS)
    for (const way of TEST_WAYS)
      for (const { leads, id } of questionOf(part, way)?.feelings ?? []) {
        expect(id).toMatch(/^[a-z-]+$/);
        if ('complaint' in leads) expect(known).toContain(leads.complaint);
      }
  // No force reaches the rim from our own roads: nothing of the force is asked there.
  for (const part of TEST_PARTS)
    for (const { leads } of part.here?.feelings ?? []) expect(leads).not.toHaveProperty('complaint');
});

it('names what to look into once, the earliest part first', () => {
  const said = 'straight.nervous,hairpin.right,sweep.weak,kerb.faint,grass.right,roll.saws,launch.spins';
  const { toDo, isWhole } = testOutcome(saidOf(said, 'title'), 'title');
  expect(toDo.map(({ part, feeling }) => [part.name, feeling.id])).toEqual([
    ['straight', 'nervous'],
    ['sweep', 'weak'],
    ['roll', 'saws'],
    ['launch', 'spins'],
  ]);
  expect(isWhole).toBe(true);
});

it('keeps what was measured apart from what was said', () => {
  const { clipped, toDo } = testOutcome(
    saidOf('straight.right,hairpin.else,sweep.clips,kerb.whole', 'here'),
    'here',
  );
  expect(clipped.map(({ name }) => name)).toEqual(['sweep']);
  expect(toDo).toEqual([]);
});

it('asks by yes and no alone: right, or one feeling after the other, or something else', () => {
  for (const part of TEST_PARTS)
    for (const way of TEST_WAYS) {
      const question = questionOf(part, way);
      if (!question) continue;
      expect(heard(question, 0, true)).toEqual({ said: RIGHT });
      question.feelings.forEach(({ id, words }, i) => {
        expect(heard(question, i, false)).toEqual({ asks: i + 1 });
        expect(askedText(question, i + 1)).toBe(`${words}?`);
        expect(heard(question, i + 1, true)).toEqual({ said: id });
      });
      expect(heard(question, question.feelings.length, false)).toEqual({ said: ELSE });
    }
});
