import { START_FIELD } from '../testing/startField';
import { analysePedal } from '../axes/analysePedal';
import { readForeignSheet } from '../import/foreignSheet';
import { matchColumns } from '../import/matchColumns';
import { MOST_COLUMNS } from '../import/rideUnits';
import { describeProblem, type Outcome } from '../problem';
import { decimalsOf, gridCount, gridPoint } from '../response/menuSchema';
import { translate } from '../response/translate';
import { readCaptureCsv, writeCaptureCsv } from './captureCsv';
import { MOST_GRID_POINTS, readDialectJson, readSettingsJson } from './dialectJson';
import { readProfileJson } from './profileJson';
import { readRideCsv, writeRideCsv } from './rideCsv';

/** What is wrong, in a line; "taken" where nothing is. */
function said<T>(read: Outcome<T>): string {
  return read.ok ? 'taken' : read.problems.map(describeProblem).join(' ');
}

describe('a capture says what it is', () => {
  const rows = Array.from({ length: 8 }, (_, i) => `${i / 100},rest,${i * 10}`);
  const file = (notes: string[], some = rows) => [...notes, 't_s,phase,brake', ...some].join('\n');
  it.each<[string, string[], RegExp]>([
    ['half a range', ['# range_min: 0'], /from "0" to nothing/],
    ['a range that is reversed', ['# range_min: 9', '# range_max: 0'], /from "9" to "0"/],
    ['a range without end', ['# range_min: 0', '# range_max: Infinity'], /"Infinity"/],
    ['a range of words', ['# range_min: low', '# range_max: high'], /range_min and range_max stand together/],
    ['a rate without end', ['# rate_hz: Infinity'], /rate of "Infinity"/],
    ['a rate that runs backwards', ['# rate_hz: -5'], /rate of "-5"/],
    ['a rate that is not said', ['# rate_hz:'], /leave it out where it is not known/],
  ])('%s is refused', (_, notes, why) => {
    expect(said(readCaptureCsv(file(notes)))).toMatch(why);
  });
  it.each<[string, string[], RegExp]>([
    ['a row that is too short', [...rows, '1,rest'], /^row 10: The row has 2 cells, the header 3/],
    ['a row that is too long', [...rows, '1,rest,5,'], /^row 10: The row has 4 cells/],
    ['an empty line between rows', [rows[0]!, '', ...rows.slice(1)], /^row 3: The row has 1 cells/],
    ['a cell in another base', ['0,rest,0x1F', ...rows], /row 2, column "brake": "0x1F" is not a number/],
    [
      'a clock that stands',
      rows.map((row) => row.replace(/^[^,]+/, '3')),
      /Time stands still in 7 of 7 steps/,
    ],
    ['a clock that goes on for ever', [...rows, '1e300,rest,5'], /1e\+300 s is no time of day/],
    ['days of recording', [...rows, '200000,rest,5'], /56 hours/],
    ['an axis that never moves', rows.map((row) => row.replace(/[^,]+$/, '7')), /No axis ever moves/],
  ])('%s is refused with its row', (_, some, why) => {
    expect(said(readCaptureCsv(file([], some)))).toMatch(why);
  });

  it('what a cell holds is shown on one line, and cut', () => {
    const why = said(readCaptureCsv(file([], [`0,rest,"a\nb${'x'.repeat(500)}"`])));
    expect(why).toMatch(/^row 2, column "brake": "a b[x]{37}…" is not a number/);
  });

  it('a rate that contradicts the rows is said, and the rows count', () => {
    const read = readCaptureCsv(file(['# rate_hz: 1000']));
    expect(read.ok && read.value.remarks?.join(' ')).toMatch(/1000 Hz, the samples come at 100 Hz/);
    const flat = readCaptureCsv(
      file(
        ['# range_min: 0', '# range_max: 100'],
        rows.map((row) => row.replace(/[^,]+$/, '7')),
      ),
    );
    expect(said(flat)).toBe('taken');
    if (flat.ok) expect(said(analysePedal(flat.value, 'brake'))).not.toBe('taken');
  });

  it('a scaled axis may overshoot its end, counts of a device may not', () => {
    const scaled = ['0,rest,0.2', '1,rest,1.02'];
    expect(said(readCaptureCsv(file(['# range_min: -1', '# range_max: 1'], scaled)))).toBe('taken');
    const counts = ['0,rest,5', '1,rest,65536'];
    expect(said(readCaptureCsv(file(['# range_min: 0', '# range_max: 65535'], counts)))).toMatch(
      /65536 lies outside/,
    );
  });

  it('a byte order mark, notes that are none and names that every object has are passed over', () => {
    const read = readCaptureCsv(
      `\uFEFF${file(['# made by hand', '# constructor: x', '# device: a\tpedal'])}`,
    );
    expect(read.ok && read.value.device).toBe('a pedal');
    expect(read.ok && said(readCaptureCsv(writeCaptureCsv(read.value)))).toBe('taken');
  });
});

describe('a ride says what it is', () => {
  it.each<[string, string, RegExp]>([
    [
      'a brake in percent',
      't_s,brake\n0,0\n1,50\n',
      /row 3, column "brake": 50 lies outside .* divide percent by 100/,
    ],
    ['half a lap', 't_s,lap\n0,1\n1,1.5\n', /row 3, column "lap": 1\.5 is no whole number/],
    ['a speed of light', 't_s,speed_mps\n0,3e8\n', /divide km\/h by 3\.6/],
    [
      'columns that are not of a ride',
      `t_s,${'x'.repeat(300)}\n0,1\n`,
      /column "x{40}…": This column is not known/,
    ],
  ])('%s is refused', (_, text, why) => {
    expect(said(readRideCsv(text))).toMatch(why);
  });
  it('a zero keeps its sign, as everything else keeps its bits', () => {
    const columns = { t_s: Float64Array.of(0, 1), ffb: Float64Array.of(-0, 5e-324) };
    const read = readRideCsv(writeRideCsv({ columns, notes: {} }));
    expect(read.ok && Object.is(read.value.columns.ffb![0], -0)).toBe(true);
  });
});

describe('a dialect is bounded', () => {
  const field = (more: object) => ({ ...START_FIELD, key: 'a', label: 'A', ...more });
  const dialect = (...fields: object[]) => ({
    format: 'pebble-road/dialect',
    version: 1,
    name: 'Made up',
    axis: 'brake',
    fields,
  });
  const read = (more: object) => said(readDialectJson(JSON.stringify(dialect(field(more)))));
  it.each<[string, object, RegExp]>([
    ['a step of next to nothing', { step: 1e-9 }, /at least 0\.000001/],
    ['a step that makes too many stops', { step: 0.001 }, /100001 stops .* at most 10001/],
    ['a range without end', { max: 1e308 }, /at most 1000000/],
    [
      'a base of a hundred',
      { neutral: 50, maps: { kind: 'gamma-log', base: 100, half: 50, sign: 1 } },
      /at most 5/,
    ],
    [
      'an exponent beyond its range',
      { neutral: 50, maps: { kind: 'gamma-log', base: 5, half: 20, sign: 1 } },
      /would be an exponent of 0\.01789, which lies outside 0\.2 to 5/,
    ],
    [
      'an exponent below nothing',
      { min: -5, maps: { kind: 'gamma-direct' } },
      /-5 would be an exponent of -5/,
    ],
    ['a hundredfold blend', { maps: { kind: 'blend', full: 1 } }, /a share of a cube of 100/],
    ['a dead zone below nothing', { min: -50 }, /a dead zone of -0\.5/],
    [
      'more saturation than there is',
      { maps: { kind: 'saturation-end', full: 50 } },
      /a saturation point of 2/,
    ],
    ['a key that every object has', { key: 'toString' }, /means something else to every object/],
    ['a key with a blank', { key: 'dead zone' }, /begins with a letter/],
  ])('%s is refused', (_, more, why) => {
    expect(read(more)).toMatch(why);
  });

  it('as many stops as are allowed are translated in a moment', () => {
    const fine = (name: string) => ({
      ...dialect(
        field({
          key: 'd',
          max: 1,
          step: 1 / (MOST_GRID_POINTS - 1),
          maps: { kind: 'deadzone-amount', full: 1 },
        }),
        field({
          key: 's',
          max: 1,
          neutral: 1,
          step: 1 / (MOST_GRID_POINTS - 1),
          maps: { kind: 'saturation-end', full: 1 },
        }),
      ),
      name,
    });
    const [from, to] = [fine('one'), fine('other')].map((one) => readDialectJson(JSON.stringify(one)));
    if (!from!.ok || !to!.ok) throw new Error(said(from!) + said(to!));
    const other = { ...to!.value, fields: to!.value.fields.map((one) => ({ ...one, label: 'B' })) };
    expect(translate(from!.value, { d: 0.1234, s: 0.9 }, other)).toMatchObject({
      values: { d: 0.1234, s: 0.9 },
      maxError: 0,
    });
  });

  it('steps that are written with an exponent keep their decimals', () => {
    const small = { min: 0, max: 1e-5, step: 1e-6 };
    expect(decimalsOf(small)).toBe(6);
    const whole = { ...small, key: 'x', label: '', neutral: 0, maps: { kind: 'gain' as const, of: 'x' } };
    expect(Array.from({ length: gridCount(whole) }, (_, i) => gridPoint(whole, i))).toHaveLength(11);
    expect(gridPoint(whole, 3)).toBe(3e-6);
  });

  it('a value that is not there is missing, also where every object has something of that name', () => {
    const settings = (values: object) =>
      said(
        readSettingsJson(
          JSON.stringify({ format: 'pebble-road/settings', version: 1, dialect: dialect(field({})), values }),
        ),
      );
    expect(settings({})).toMatch(/The value of "a" is missing/);
    expect(settings({ a: 1, constructor: 2 })).toMatch(/The key "constructor" is not known/);
    expect(settings({ a: 5 })).toBe('taken');
  });
});

describe('JSON', () => {
  it('says in our words what is missing, twice, or of the wrong kind', () => {
    const at = (text: string) => said(readDialectJson(text));
    expect(at('\uFEFF{"format":"pebble-road/dialect","version":1,"name":"x","axis":"y"}')).toBe(
      'column "fields": `fields` is missing. Write it.',
    );
    expect(at('{"format":"pebble-road/dialect",\n"version":1,\n"version":1}')).toMatch(
      /^row 3: The key "version" stands twice/,
    );
    expect(at('{"format":"pebble-road/dialect","version":1,"name":7,"axis":"y","fields":[]}')).toMatch(
      /It must be text.*It must be at least 1 entries long/s,
    );
    expect(at(`{"format":"${'x'.repeat(99)}"}`)).toMatch(/This is "x{40}…"/);
    expect(at('{"a":1}')).toMatch(/^It does not say what it is\. "format" must be/);
  });
  it('nested without end is refused', () => {
    const deep = `${'['.repeat(50_000)}${']'.repeat(50_000)}`;
    expect(said(readDialectJson(`{"format":"pebble-road/dialect","version":1,"fields":${deep}}`))).not.toBe(
      'taken',
    );
  });
  it('a pedal that does not move is none', () => {
    const pedal = {
      hardware: { released: 5, pressed: 5, sigma: 1, quantum: 1, rangeMin: 0, rangeMax: 9 },
      calibration: { released: 5, pressed: 5 },
      layers: [],
    };
    const profile = {
      format: 'pebble-road/profile',
      version: 1,
      name: 'x',
      rig: '',
      title: '',
      car: '',
      driver: '',
      pedals: { throttle: pedal, brake: pedal },
      foot: { restTravel: 0, restWander: 0, pressTravel: 1, pressSpread: 0 },
    };
    expect(said(readProfileJson(JSON.stringify(profile)))).toMatch(/Released and pressed lie apart/);
  });
});

describe('what would run for minutes is read in a moment', () => {
  /**
   * Linear in what is read: ten times as much takes some ten times the work, where it took a hundred times before. Counted by the
   * processor and not by the clock: other programs take their share of that.
   */
  const ratio = (small: () => unknown, large: () => unknown): number => {
    const cost = (work: () => unknown) => {
      const from = process.cpuUsage();
      work();
      return process.cpuUsage(from).user;
    };
    cost(small);
    return (
      Math.min(...[0, 1, 2].map(() => cost(large))) /
      Math.max(100, Math.min(...[0, 1, 2].map(() => cost(small))))
    );
  };
  const columns = (n: number) => `t_s,${Array.from({ length: n }, (_, i) => `c${i}`).join(',')}\n1,2\n`;
  it('thousands of columns', () => {
    expect(said(readRideCsv(columns(60_000)))).toMatch(/not known/);
    expect(said(readForeignSheet(columns(60_000)))).toMatch(`At most ${MOST_COLUMNS} are read`);
    expect(
      ratio(
        () => readRideCsv(columns(6000)),
        () => readRideCsv(columns(60_000)),
      ),
    ).toBeLessThan(60);
  });
  it('a name of blanks and brackets', () => {
    const sheet = (n: number) => `time,${' ['.repeat(n)},${'a '.repeat(n)}[\n1,2,3\n2,3,4\n`;
    expect(readForeignSheet(sheet(100_000)).ok).toBe(true);
    expect(
      ratio(
        () => readForeignSheet(sheet(10_000)),
        () => readForeignSheet(sheet(100_000)),
      ),
    ).toBeLessThan(60);
  });
  it('names and units are found as before', () => {
    const header = 'Time [s],Speed (km/h),Steer Angle_deg,Brake [%] ,Lap,Force ( N·m )';
    const sheet = readForeignSheet(`${header}\n0,100,5,50,1,2\n1,101,6,51,1,3\n`);
    if (!sheet.ok) throw new Error(said(sheet));
    expect(sheet.value.columns.map(({ name, unit }) => [name, unit])).toEqual([
      ['Time', 's'],
      ['Speed', 'km/h'],
      ['Steer Angle', 'deg'],
      ['Brake', '%'],
      ['Lap', null],
      ['Force', 'n·m'],
    ]);
    expect(matchColumns(sheet.value).map(({ channel }) => channel)).toEqual([
      't_s',
      'speed_mps',
      'steer_deg',
      'brake',
      'lap',
      'ffb',
    ]);
  });
});
