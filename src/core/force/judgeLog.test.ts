import fc from 'fast-check';
import { judgeLog } from './judgeForce';

/** Ten seconds of a slow swing at 100 Hz, twice around a short road. */
function logOf(peak: number) {
  const n = 1000;
  const t_s = Float64Array.from({ length: n }, (_, i) => i / 100);
  return {
    notes: {},
    columns: {
      t_s,
      ffb: t_s.map((t) => peak * Math.sin(2 * Math.PI * t)),
      lap: t_s.map((t) => Math.floor(t / 4)),
      distance_m: t_s.map((t) => 20 * (t % 4)),
    },
  };
}
const clippedShare = (peak: number) => (peak <= 1 ? 0 : 1 - (2 / Math.PI) * Math.asin(1 / peak));

describe('a ride from the book', () => {
  it('is judged as it was driven, and as it would be with another gain', () => {
    const gain = fc.double({ min: 0.3, max: 3, noNaN: true });
    fc.assert(
      fc.property(gain, gain, gain, (peak, logged, now) => {
        const { judgement } = judgeLog(logOf(peak), logged, now)!;
        expect(judgement.clipShare).toBeCloseTo(clippedShare((peak * now) / logged), 1);
        expect(judgement.p999).toBeCloseTo((peak * now) / logged, 1);
        expect(Math.max(...judgement.trace.level)).toBeCloseTo((peak * now) / logged, 1);
      }),
    );
  });

  it('is drawn over its last whole lap', () => {
    const { trace } = judgeLog(logOf(0.5), 1, 1)!.judgement;
    expect(trace.level.length * trace.stepM).toBeGreaterThanOrEqual(79);
    expect(trace.level.length * trace.stepM).toBeLessThanOrEqual(84);
  });

  it('is drawn the same whatever number its laps begin with, and its one lap is drawn whole', () => {
    const log = logOf(0.5);
    const { trace } = judgeLog(log, 1, 1)!.judgement;
    const from = (first: number, ofLap = (lap: number) => lap) =>
      judgeLog(
        { notes: {}, columns: { ...log.columns, lap: log.columns.lap.map((lap) => first + ofLap(lap)) } },
        1,
        1,
      )!.judgement.trace;
    expect(from(1)).toEqual(trace);
    expect(from(17)).toEqual(trace);
    expect(Math.max(...from(3, () => 0).level)).toBeCloseTo(0.5, 2);
  });

  it('says nothing of the force where none was logged', () => {
    const { ffb, ...without } = logOf(1).columns;
    expect(ffb).toHaveLength(1000);
    expect(judgeLog({ notes: {}, columns: without }, 1, 1)).toBeNull();
  });

  it('without laps and distance is still judged, on one spot', () => {
    const { t_s, ffb } = logOf(1.5).columns;
    const judged = judgeLog({ notes: {}, columns: { t_s, ffb } }, 1, 1)!;
    expect(judged.judgement.clipShare).toBeGreaterThan(0.4);
    expect(judged.judgement.trace.level).toHaveLength(1);
  });
});

it('two rows are a log, one is none, and neither is what was driven without a gain', () => {
  const rows = (n: number) => ({
    notes: {},
    columns: { t_s: Float64Array.from({ length: n }, (_, i) => i / 100), ffb: new Float64Array(n).fill(0.5) },
  });
  expect(judgeLog(rows(2), 1, 1)!.judgement.p999).toBeCloseTo(0.5, 12);
  expect(judgeLog(rows(1), 1, 1)).toBeNull();
  expect(judgeLog(rows(2), 0, 1)).toBeNull();
  expect(judgeLog(rows(2), -1, 1)).toBeNull();
  expect(judgeLog({ notes: {}, columns: { t_s: Float64Array.of(0, 1) } }, 1, 1)).toBeNull();
});

it('a surface is heard where the log has one: what is hit on a kerb is no held corner', () => {
  const log = logOf(1.5);
  const { columns } = log;
  const kerbs = { ...log, columns: { ...columns, surface: new Float64Array(columns.t_s.length).fill(1) } };
  const kinds = (of: typeof log) => judgeLog(of, 1, 1)!.signal.surface;
  expect(kinds(log)).toBeNull();
  expect(kinds(kerbs)).toEqual(kerbs.columns.surface);
});
