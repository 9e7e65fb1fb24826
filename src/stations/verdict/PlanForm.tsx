'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { DIMENSIONS, type Dimension } from '@/core/experiment/pairedRatings';
import { reasonOf } from '@/core/problem';
import type { Way } from '@/core/experiment/planParts';
import { planOf, rulesOf, type Question } from '@/core/experiment/questions';
import { MOST_PAIRS, USUAL_PLAN } from '@/core/experiment/planRides';
import { MEASURES_SHOWN, type MeasureName } from '@/core/rides/measures';
import { keyOfText } from '@/core/settings/setting';
import { STRETCHES, stretchFor, type StretchKind } from '@/core/driving/stretch';
import { STRETCH_CHOICES } from '@/words/drive';
import { askQuestion } from '@/book/write/experiments';
import { anotherValue } from '@/book/judge/seatQuestion';
import { cautionsFor } from '@/book/judge/cautionsFor';
import { hardlyNoticed } from '@/book/judge/settingKnown';
import { isFeltHere } from '@/book/judge/livePlan';
import { feltSettings } from '@/book/judge/underPaddles';
import { askableSettings } from '@/book/judge/askable';
import type { BookView } from '@/book/model/bookView';
import type { VerdictView } from '@/book/model/experimentView';
import { Choice } from '@/parts/Choice';
import { notifyReply } from '@/parts/notifyReply';
import { Button } from '@/ui/Button';
import { notify } from '@/ui/notices';
import { NumberField, SelectField } from '@/ui/fields';
import { NextStep, StationPage } from '@/ui/StationPage';
import { QUESTION_WORDS } from '@/words/questions';
import { WAY_WORDS } from '@/words/verdict';
import { Cautions, MoreSettings, Row } from './planFields';
import { knownHref } from './knownHref';
import { filesToSeal, SlotFiles, type ChosenFiles } from './SlotFiles';

/** What is asked, of which setting, and what it is for; what it takes and can show is said at once. */
export function PlanForm({
  view,
  verdict,
  question,
  of,
}: {
  view: BookView;
  verdict: VerdictView;
  question: Question;
  /** The setting that it is about at first; `null` for the one that was changed last. */
  of: string | null;
}) {
  const router = useRouter();
  const { ways, chooses, isCompared, isBlind: isBlindAsked } = rulesOf(question);
  const words = QUESTION_WORDS[question];
  // Driven here or not at all: what is felt in the title alone is not offered.
  const isOnlyHere = ways.every((one) => one === 'here');
  const all = isOnlyHere ? feltSettings(view) : askableSettings(view);
  const recent = verdict.recent.filter(({ key }) => all.some((one) => one.key === key));
  const [key, setKey] = useState(
    (isOnlyHere && !all.some((one) => one.key === of) ? null : of) ?? recent[0]?.key ?? all[0]?.key ?? '',
  );
  const setting = all.find((one) => one.key === key);
  const [values, setValues] = useState<Record<string, { a: number | null; b: number | null }>>({});
  const [ranges, setRanges] = useState<Record<string, { min: number; max: number }>>({});
  const [more, setMore] = useState<string[]>([]);
  const [way, setWay] = useState<Way>(() => usualWay(view, question));
  const [pairs, setPairs] = useState(USUAL_PLAN.pairs);
  const [laps, setLaps] = useState(USUAL_PLAN.lapsPerRide);
  const [named, setNamed] = useState<MeasureName | ''>(isCompared ? 'lapTimeS' : '');
  const [dimension, setDimension] = useState<Dimension | ''>('');
  const [files, setFiles] = useState<ChosenFiles>({ a: null, b: null });
  const [shortRide, setStretch] = useState<StretchKind | null | undefined>(undefined);
  const stretch = shortRide === undefined && key ? stretchFor(keyOfText(key).axis) : (shortRide ?? null);
  const [isBusy, setBusy] = useState(false);
  const isPair = chooses === 'sides';
  const changed = recent.find((one) => one.key === key);
  const sides = setting && {
    a:
      values[key]?.a ??
      numberOf(changed ? changed.from : null) ??
      (changed ? setting.field.neutral : setting.value),
    b: values[key]?.b ?? numberOf(changed?.to ?? null) ?? anotherValue(setting, view.known?.[key]),
  };
  const noticed =
    setting && sides && isPair
      ? hardlyNoticed(view, key, sides.a ?? setting.field.neutral, sides.b ?? setting.field.neutral)
      : null;
  const put = (side: 'a' | 'b', value: number | null) =>
    setValues({ ...values, [key]: { a: sides!.a, b: sides!.b, [side]: value } });
  const searched = [key, ...more];
  const rangeOf = (one: string) => {
    const field = all.find((other) => other.key === one)?.field;
    return ranges[one] ?? { min: field?.min ?? 0, max: field?.max ?? 1 };
  };
  const range = rangeOf(key);
  const ends = isPair
    ? [{ of: key, low: sides?.a ?? null, high: sides?.b ?? null }]
    : searched.map((of) => ({ of, low: rangeOf(of).min, high: rangeOf(of).max }));
  const isFelt = !sides || ends.every(({ of, low, high }) => isFeltHere(view, { [of]: low }, { [of]: high }));
  const isShort = way === 'here' && !isCompared;
  const isNotFelt = way === 'here' && !isFelt;
  const isFileMissing = way === 'files' && (!files.a || !files.b);
  const start = async () => {
    if (!setting || !sides) return;
    setBusy(true);
    const searchedRange = (one: string) => {
      const { min, max, step } = all.find((other) => other.key === one)!.field;
      return { key: one, min, max, step, ...ranges[one] };
    };
    const plan = planOf(question, {
      ...{ key, menu: setting.field, value: setting.value, sides, way, pairs, lapsPerRide: laps },
      ranges: [searchedRange(key), ...more.map(searchedRange)],
      named: named === '' ? null : named,
      dimension: dimension === '' ? null : dimension,
      stretch: way === 'here' ? stretch : null,
      seed: anySeed(),
    });
    try {
      const done = notifyReply(await askQuestion(plan, way === 'files' ? await filesToSeal(files) : null));
      if (done) router.push(way === 'here' ? '/drive?do=verdict' : '/verdict');
    } catch (error) {
      notify(`Nothing was asked: ${reasonOf(error)}`, 'fault');
    } finally {
      setBusy(false);
    }
  };
  return (
    <StationPage
      finding={words.ask}
      subtitle={words.about}
      next={
        <NextStep
          title={isPair || isBlindAsked ? 'The order is drawn now' : 'The first ride'}
          actions={
            <>
              <Button
                look="next"
                disabled={!setting || isBusy || !canRide(view, way) || isFileMissing || isNotFelt}
                onClick={() => void start()}
              >
                Start
              </Button>
              <Link
                href="/verdict"
                className="inline-flex min-h-11 items-center px-2 font-semibold text-muted underline-offset-4 hover:underline"
              >
                Another question
              </Link>
            </>
          }
        >
          {words.plan(
            { pairs, lapsPerRide: laps, named: named === '' ? null : named, searched: searched.length },
            verdict.spread,
            false,
          )}
          .
          {!canRide(view, way) && (
            <span className="mt-2 block text-rust">
              Measure the brake first: the simulated driver rides through it.
            </span>
          )}
          {isCompared && way === 'title' && (
            <span className="mt-2 block">
              Logs are matched by when they were driven: take the evening’s files in under Ride.
            </span>
          )}
          {isNotFelt && (
            <span className="mt-2 block text-rust">
              It isn’t felt here: pedals and the wheel’s angle go through this program, the wheel’s force does
              not. Ask it in the title.
            </span>
          )}
          {way === 'here' && isBlindAsked && isFelt && (
            <span className="mt-2 block">
              This program loads each ride by itself; nothing tells which before the last answer.
            </span>
          )}
          {way === 'helper' && (
            <span className="mt-2 block">
              Somebody else opens the helper’s window, on another screen, and loads what it says.
            </span>
          )}
        </NextStep>
      }
    >
      <div className="grid max-w-2xl gap-4">
        <SelectField
          label="Setting"
          value={key}
          options={[
            ...recent.map((one) => ({ value: one.key, name: `${one.what} (changed last)` })),
            ...all
              .filter((one) => !recent.some((r) => r.key === one.key))
              .map((one) => ({ value: one.key, name: one.name })),
          ]}
          onChange={setKey}
        />
        {setting && sides && isPair && (
          <div className="grid gap-4 sm:grid-cols-2">
            <NumberField
              label="A"
              isStacked
              unit={setting.field.unit ?? ''}
              value={sides.a}
              onChange={(v) => put('a', v)}
            />
            <NumberField
              label="B"
              isStacked
              unit={setting.field.unit ?? ''}
              value={sides.b}
              onChange={(v) => put('b', v)}
            />
          </div>
        )}
        {setting && (
          <p className="text-sm text-muted">
            {setting.name} goes from {setting.field.min} to {setting.field.max} in steps of{' '}
            {setting.field.step}; it is {setting.value} now.{' '}
            <Link className="underline underline-offset-4" href={knownHref(key)}>
              What is known of it
            </Link>
          </p>
        )}
        {noticed && <p className="text-sm text-rust">{noticed}</p>}
        {setting && (chooses === 'range' || chooses === 'ranges') && (
          <div className="grid gap-4 sm:grid-cols-2">
            <NumberField
              label={words.ends.from}
              isStacked
              unit={setting.field.unit ?? ''}
              value={range.min}
              onChange={(v) => setRanges({ ...ranges, [key]: { ...range, min: v ?? setting.field.min } })}
            />
            <NumberField
              label={words.ends.to}
              isStacked
              unit={setting.field.unit ?? ''}
              value={range.max}
              onChange={(v) => setRanges({ ...ranges, [key]: { ...range, max: v ?? setting.field.max } })}
            />
          </div>
        )}
        <Cautions texts={cautionsFor(view, searched)} />
        {chooses === 'ranges' && <MoreSettings all={all} chosen={searched} onChange={setMore} />}
        {isCompared && (
          <SelectField<MeasureName | ''>
            label="What it is for"
            value={named}
            options={[
              ...MEASURES_SHOWN.map(({ name, label }) => ({ value: name, name: label })),
              { value: '', name: 'nothing in particular: all measures' },
            ]}
            onChange={setNamed}
          />
        )}
        {isPair && way !== 'simulated' && (
          <SelectField<Dimension | ''>
            label="Feel it is for"
            value={dimension}
            options={[
              { value: '', name: 'not rated' },
              ...Object.entries(DIMENSIONS).map(([value, name]) => ({ value: value as Dimension, name })),
            ]}
            onChange={setDimension}
          />
        )}
        {ways.length > 1 && (
          <Row label="Ridden by">
            {ways.map((one) => (
              <Choice key={one} isOn={way === one} onClick={() => setWay(one)}>
                {WAY_WORDS[one]}
              </Choice>
            ))}
          </Row>
        )}
        {way === 'files' && <SlotFiles files={files} onChange={setFiles} />}
        {isCompared && (
          <Row label="Pairs">
            {[2, 3, 4, 6, 8, 12]
              .filter((n) => n <= MOST_PAIRS)
              .map((n) => (
                <Choice key={n} isOn={pairs === n} onClick={() => setPairs(n)}>
                  {n}
                </Choice>
              ))}
          </Row>
        )}
        {isShort && (
          <Row label="A ride is">
            {STRETCHES.map((one) => (
              <Choice key={one} isOn={stretch === one} onClick={() => setStretch(one)}>
                {STRETCH_CHOICES[one]}
              </Choice>
            ))}
            {!isOnlyHere && (
              <Choice isOn={stretch === null} onClick={() => setStretch(null)}>
                laps
              </Choice>
            )}
          </Row>
        )}
        {!(isShort && stretch) && (
          <Row label="Laps a ride">
            {[1, 2, 3, 5].map((n) => (
              <Choice key={n} isOn={laps === n} onClick={() => setLaps(n)}>
                {n}
              </Choice>
            ))}
          </Row>
        )}
      </div>
    </StationPage>
  );
}

const anySeed = () => Math.floor(Math.random() * 0xffff_ffff);

const numberOf = (value: unknown): number | null => (typeof value === 'number' ? value : null);

const canRide = (view: BookView, way: Way) =>
  way !== 'simulated' || view.axes.some(({ axis, capture }) => axis === 'brake' && capture !== null);

const usualWay = (view: BookView, question: Question): Way =>
  rulesOf(question).ways.find((way) => canRide(view, way)) ?? rulesOf(question).ways[0]!;
