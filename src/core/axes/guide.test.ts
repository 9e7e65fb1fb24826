import { captureGuide } from './guide';
import { currentStep, freshGuide, type GuideState } from './guideState';
import { programmeFor, readAngles } from './programme';

const RANGE = { rangeMin: 0, rangeMax: 10000 };
const RATE = 200;
const REST = 200;

/** A hand-driven axis: each call feeds some seconds of a level or a stroke into the guide. */
function driven(start: GuideState, rest: number, noise = 1) {
  const guide = captureGuide(RANGE, start);
  let t = start.lastT ?? 0;
  let rate = RATE;
  const feed = (raw: number) => {
    t += 1 / rate;
    guide.feed(t, raw + noise * (((t * rate) % 3) - 1));
  };
  const hold = (seconds: number, level: number) => {
    for (let i = 0; i < seconds * rate; i++) feed(level);
  };
  const move = (from: number, to: number, seconds: number) => {
    for (let i = 0; i < seconds * rate; i++) feed(from + ((to - from) * i) / (seconds * rate));
  };
  const stroke = (peak: number, upS = 1, heldS = 0.5) => {
    move(rest, peak, upS);
    hold(heldS, peak);
    move(peak, rest, upS);
    hold(0.6, rest);
  };
  return {
    guide,
    hold,
    move,
    stroke,
    skip: (seconds: number) => (t += seconds),
    /** Samples come so often from now on. */
    at: (perSecond: number) => (rate = perSecond),
    step: () => currentStep(guide.state)?.label ?? 'done',
    remark: () => guide.state.remark.kind,
    count: (label: string) => guide.state.runs.filter((run) => run.label === label).length,
  };
}
const pedal = (start?: GuideState) => driven(start ?? freshGuide('brake', programmeFor('brake')), REST);

function toSweeps() {
  const p = pedal();
  p.hold(3, REST);
  p.hold(6, 500);
  return p;
}

function toPresses() {
  const p = toSweeps();
  p.hold(1, REST);
  for (let i = 0; i < 3; i++) p.stroke(9000);
  return p;
}

describe('a pedal', () => {
  it('stillness accepts rest and foot, movements count, and the end comes after six presses', () => {
    const p = toPresses();
    expect(p.step()).toBe('press');
    for (let i = 0; i < 6; i++) p.stroke(8000, 0.3, 0.6);
    expect(p.step()).toBe('done');
    expect(['rest', 'cover', 'sweep', 'press'].map(p.count)).toEqual([1, 1, 3, 6]);
  });

  it('labels cover every sample once, in order', () => {
    const { runs, samples } = toPresses().guide.state;
    let at = 0;
    for (const run of runs) {
      expect(run.from).toBe(at);
      expect(run.to).toBeGreaterThan(run.from);
      at = run.to;
    }
    expect(at).toBe(samples);
  });

  it.each([
    ['a sweep under half a second', (p: ReturnType<typeof pedal>) => p.stroke(9000, 0.2), 'too-fast'],
    [
      'a sweep that stops half-way',
      (p: ReturnType<typeof pedal>) => (p.stroke(9000), p.stroke(5000)),
      'not-to-the-stop',
    ],
  ])('does not count %s, and says why', (_, act, remark) => {
    const p = toSweeps();
    p.hold(1, REST);
    act(p);
    expect(p.remark()).toBe(remark);
  });

  it('does not count a press to 40 % among full ones', () => {
    const p = toPresses();
    p.stroke(8000, 0.3, 0.6);
    p.stroke(3700, 0.3, 0.6);
    expect(p.remark()).toBe('press-stopped-early');
    expect(p.guide.state.peaks).toHaveLength(1);
  });

  it('a first sweep that stopped short is dropped when a longer one comes', () => {
    const p = toSweeps();
    p.hold(1, REST);
    p.stroke(6000);
    p.stroke(9500);
    expect(p.guide.state.peaks).toHaveLength(1);
  });

  it('takes up the slack three times, and refuses a full press for it', () => {
    const p = driven(freshGuide('brake', programmeFor('brake', { takeup: true })), REST);
    p.hold(3, REST);
    p.hold(6, 500);
    expect(p.step()).toBe('takeup');
    p.hold(1, REST);
    p.stroke(6000);
    expect(p.remark()).toBe('pressed-too-far');
    for (let i = 0; i < 3; i++) p.stroke(700, 0.5, 2);
    expect(p.step()).toBe('sweep');
    expect(p.count('takeup')).toBe(3);
  });

  it('an axis that never moves is told so', () => {
    const p = toSweeps();
    p.hold(13, REST);
    expect(p.remark()).toBe('nothing-moves');
  });

  it('a gap in the middle of a movement drops that movement and nothing else', () => {
    const p = toSweeps();
    p.hold(1, REST);
    p.stroke(9000);
    p.move(REST, 3200, 0.15);
    p.skip(40);
    p.hold(0.5, REST);
    expect(p.remark()).toBe('gap');
    expect(p.guide.state.peaks).toHaveLength(1);
    p.stroke(9000);
    p.stroke(9000);
    expect(p.step()).toBe('press');
  });

  it('time that runs backwards is left out', () => {
    const { guide } = pedal();
    expect(guide.feed(1, REST)).toBe(true);
    expect(guide.feed(0.9, REST)).toBe(false);
    expect(guide.state.samples).toBe(1);
  });

  it('goes on from its own memory after a reload', () => {
    const before = toSweeps();
    before.hold(1, REST);
    before.stroke(9000);
    const after = pedal(JSON.parse(JSON.stringify(before.guide.state)) as GuideState);
    after.stroke(9000);
    after.stroke(9000);
    expect(after.step()).toBe('press');
  });

  it('by hand, a step is accepted only with enough behind it', () => {
    const p = toPresses();
    p.stroke(8000, 0.3, 0.6);
    expect(p.guide.accept()).toBe(false);
    expect(p.guide.state.remark).toEqual({ kind: 'more-needed', done: 1, least: 4 });
    for (let i = 0; i < 3; i++) p.stroke(8000, 0.3, 0.6);
    expect(p.guide.accept()).toBe(true);
    expect(p.step()).toBe('done');
  });
});

describe('the steering', () => {
  const MIDDLE = 5000;
  /** 900° over 9000 counts, left below right. */
  const at = (degrees: number) => MIDDLE - 10 * degrees;
  const wheel = () => driven(freshGuide('steering', programmeFor('steering', { rotationDeg: 900 })), MIDDLE);
  type Wheel = ReturnType<typeof wheel>;
  const turn = (w: Wheel, left = 450, right = 450) => {
    w.move(at(0), at(left), 1);
    w.hold(0.3, at(left));
    w.move(at(left), at(-right), 2);
    w.hold(0.3, at(-right));
    w.move(at(-right), at(0), 1);
    w.hold(1.5, at(0));
  };
  const holdAt = (w: Wheel, degrees: number) => {
    w.move(at(0), at(degrees), 0.8);
    w.hold(2, at(degrees));
  };
  const letGo = (w: Wheel, from: number) => {
    w.move(at(from), at(0), 0.6);
    w.hold(2, at(0));
  };
  const toHolds = () => {
    const w = wheel();
    w.hold(3, at(0));
    for (let i = 0; i < 3; i++) turn(w);
    return w;
  };

  it('goes lock to lock three times, then holds a quarter and a full turn each way, let go after each', () => {
    const w = toHolds();
    expect(w.step()).toBe('hold:90');
    for (const degrees of [90, -90, 360, -360]) {
      expect(w.step()).toBe(`hold:${degrees}`);
      holdAt(w, degrees);
      expect(w.step()).toBe('rest');
      letGo(w, degrees);
    }
    expect(w.step()).toBe('done');
    expect(w.count('sweep')).toBe(3);
    expect(w.count('rest')).toBe(5);
  });

  it('names the side that was not turned to its lock, also against earlier turns', () => {
    const w = wheel();
    w.hold(3, at(0));
    turn(w, 450, 200);
    expect(w.guide.state.remark).toMatchObject({ kind: 'short-on-one-side', side: 'right' });
    turn(w);
    turn(w, 400, 450);
    expect(w.guide.state.remark).toMatchObject({ kind: 'short-on-one-side', side: 'left' });
    expect(w.guide.state.peaks).toHaveLength(1);
  });

  it('does not take a hold on the wrong side, nor a quarter turn for a full one', () => {
    const w = toHolds();
    holdAt(w, -90);
    expect(w.guide.state.remark).toEqual({ kind: 'wrong-side', asked: 'left' });
    w.move(at(-90), at(90), 0.8);
    w.hold(2, at(90));
    letGo(w, 90);
    holdAt(w, -90);
    letGo(w, -90);
    holdAt(w, 90);
    w.move(at(90), at(250), 1);
    w.hold(2, at(250));
    expect(w.guide.state.remark).toEqual({ kind: 'not-the-angle', asked: 360, about: 250 });
    expect(w.step()).toBe('hold:360');
  });

  it('a wheel turned while it should rest begins the rest again, and says so', () => {
    const w = wheel();
    w.hold(1.5, at(0));
    w.move(at(0), at(60), 0.5);
    w.hold(0.5, at(60));
    expect(w.remark()).toMatch(/turned-while-resting|moved/);
    expect(w.step()).toBe('rest');
  });

  it('takes for a hold only what was held, also where samples come ever more slowly', () => {
    const w = toHolds();
    w.at(20);
    // The hand thinks first: most of the step is no hold.
    w.hold(4, at(0));
    holdAt(w, 90);
    expect(w.step()).toBe('rest');
    const { from, to } = w.guide.state.runs.findLast((run) => run.label === 'hold:90')!;
    expect(to - from).toBeGreaterThanOrEqual(3);
    expect((to - from) / 20).toBeLessThanOrEqual(0.9);
  });

  it('holds any marked angles instead, inside the locks only', () => {
    const labels = (angles: number[]) => programmeFor('steering', { angles }).map((step) => step.label);
    expect(labels([120]).filter((label) => label.startsWith('hold'))).toEqual(['hold:120', 'hold:-120']);
    expect(readAngles('360, 90;120', 900)).toEqual([90, 120, 360]);
    for (const text of ['', '20', '500', '90, x', '50 60 70 80 90']) expect(readAngles(text, 900)).toBeNull();
  });

  it('waits until the wheel has been let go', () => {
    const w = toHolds();
    holdAt(w, 90);
    w.hold(3, at(90));
    expect(w.remark()).toBe('still-held');
    expect(w.step()).toBe('rest');
  });
});

describe('a shifter', () => {
  const lever = () =>
    driven(freshGuide('gear', programmeFor('gear', { shifter: { kind: 'gate', gears: 2 } })), 0, 0);
  const shift = (l: ReturnType<typeof lever>, reading: number) => {
    l.hold(0.5, reading);
    l.hold(0.5, 0);
  };

  it('reads every gate twice, and will not take one gate for another', () => {
    const l = lever();
    l.hold(3, 0);
    shift(l, 11);
    shift(l, 11);
    expect(l.step()).toBe('gate:2');
    shift(l, 11);
    expect(l.guide.state.remark).toEqual({ kind: 'gate-taken', reading: 11, gate: 1 });
    shift(l, 12);
    shift(l, 12);
    shift(l, 17);
    shift(l, 17);
    expect(l.step()).toBe('done');
    expect(l.guide.state.gates).toEqual([
      { gate: 1, reading: 11 },
      { gate: 2, reading: 12 },
      { gate: -1, reading: 17 },
    ]);
  });
});
