'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import { effectiveResponse } from '@/core/response/compose';
import { curveValue } from '@/core/response/curve';
import { responseParameterOf, type MenuField } from '@/core/response/menuSchema';
import type { ResponseLayer } from '@/core/response/layer';
import { responseLayers } from '@/core/settings/menus';
import { valueText } from '@/core/settings/trail';
import { termBeside } from '@/words/standardTerm';
import { keyText, LAYERS, POINTS_FIELD, type Layer, type SettingValues } from '@/core/settings/setting';
import { Button } from '@/ui/Button';
import { NumberSlider } from '@/ui/NumberSlider';
import { Term } from '@/ui/Term';
import type { AxisTravel, AxisView } from '@/book/model/axisView';
import type { BookView } from '@/book/model/bookView';
import { KeepStep } from '@/parts/KeepStep';
import { Recommendations } from '@/parts/Recommendations';
import { basisOf } from '@/book/judge/basis';
import { openOf } from '@/book/judge/road/axes';
import { AskAgain } from '@/parts/AskAgain';
import { Facts } from '@/parts/Facts';
import { StationPage } from '@/ui/StationPage';
import { originText } from '@/book/judge/provenance';
import { useDraftSettings, type DraftSettings } from '@/parts/useDraftSettings';
import { percent } from '@/core/text/percent';
import { CurveHandles, withPoint } from './CurveHandles';
import { FirstSteps } from './FirstSteps';
import { Guides } from './Guides';
import { centreRatio, notesOf, sensorSteps, shapeFinding } from '@/book/judge/shape';
import { ShapePicture } from './ShapePicture';

interface Props {
  view: BookView;
  axis: AxisView;
  travel: AxisTravel;
}

/** Shape: the curve of an axis under the hand, layer by layer, the kept one as its ghost. */
export function ShapeStation({ view, axis, travel }: Props) {
  const [layer, setLayer] = useState<Layer>('title');
  const draft = useDraftSettings(view, 'Set by hand in Shape.');
  const { values, changed } = draft;
  const layers = useMemo(
    () => responseLayers(view.menus, values, axis.axis),
    [view.menus, values, axis.axis],
  );
  return (
    <StationPage
      finding={shapeFinding(view, axis, layers)}
      subtitle={`${axis.name} through base, title and car. The dashed line is what is kept.`}
      next={
        <>
          <KeepStep view={view} draft={draft} />
          <Recommendations
            view={view}
            axis={axis}
            recommendations={changed.length > 0 ? [] : openOf(axis)}
            after={(shown) =>
              changed.length === 0 && (
                <>
                  <Guides view={view} axis={axis} draft={draft} isFirst={shown === 0} />
                  <AskAgain declined={view.declined} />
                </>
              )
            }
          />
        </>
      }
    >
      <ShapeTabs view={view} axis={axis} />
      <ShapePicture axis={axis} layers={layers} travel={travel}>
        <PointHandles axis={axis} layer={layer} layers={layers} draft={draft} />
      </ShapePicture>
      <LayerTabs axis={axis} view={view} layer={layer} onChange={setLayer} />
      <LayerSettings view={view} axis={axis} layer={layer} layers={layers} draft={draft} />
      <ShapeFacts view={view} axis={axis} layers={layers} />
      <Notes view={view} axis={axis} layers={layers} />
      <FirstSteps view={view} axis={axis} layers={layers} />
    </StationPage>
  );
}

/** The axes that are shaped; the brake's page is the station's own. */
function ShapeTabs({ view, axis }: { view: BookView; axis: AxisView }) {
  return (
    <nav aria-label="Axes that are shaped" className="mb-3 flex flex-wrap gap-x-4 border-b border-line">
      {view.axes
        .filter((other) => other.dialect)
        .map((other) => {
          const isHere = other.axis === axis.axis;
          return (
            <Link
              key={other.axis}
              href={other.axis === 'brake' ? '/shape' : `/shape/${other.axis}`}
              aria-current={isHere ? 'page' : undefined}
              className={`flex min-h-11 items-center border-b-3 text-[15px] ${isHere ? 'border-ink font-bold' : 'border-transparent text-muted hover:text-ink'}`}
            >
              {other.name}
            </Link>
          );
        })}
    </nav>
  );
}

const responseFields = (axis: AxisView, layer: Layer): MenuField[] =>
  (axis.menus[layer]?.dialect.fields ?? []).filter(({ maps }) => responseParameterOf(maps));

/** Which layer the sliders set, with how many settings each holds. */
function LayerTabs({
  view,
  axis,
  layer,
  onChange,
}: {
  view: BookView;
  axis: AxisView;
  layer: Layer;
  onChange(layer: Layer): void;
}) {
  const names: Record<Layer, string> = {
    base: `Base: ${axis.menus.base?.dialect.name ?? ''}`,
    title: `Title: ${view.names.title}`,
    car: `Car: ${view.names.car}`,
  };
  const offered = LAYERS.filter((l) => responseFields(axis, l).length > 0 || axis.menus[l]?.drawsCurve);
  if (offered.length < 2) return null;
  return (
    <div role="group" aria-label="Layer that is set" className="mt-3 flex flex-wrap gap-2">
      {offered.map((l) => (
        <Button key={l} aria-pressed={l === layer} onClick={() => onChange(l)}>
          <span className={l === layer ? 'font-bold underline decoration-2 underline-offset-4' : ''}>
            {names[l]}
          </span>
        </Button>
      ))}
    </div>
  );
}

interface LayerProps {
  axis: AxisView;
  layer: Layer;
  layers: ResponseLayer[];
  draft: DraftSettings;
}

function LayerSettings({ view, axis, layer, layers, draft }: LayerProps & { view: BookView }) {
  const menu = axis.menus[layer];
  if (!menu) return null;
  const own = layers[LAYERS.indexOf(layer)]!;
  const pointsKey = { layer, axis: axis.axis, field: POINTS_FIELD };
  const points = draft.values[keyText(pointsKey)];
  return (
    <div className="mt-3 max-w-2xl" role="group" aria-label={`${axis.name} settings`}>
      {responseFields(axis, layer).map((field) => {
        const key = { layer, axis: axis.axis, field: field.key };
        const read = (from: SettingValues) => {
          const value = from[keyText(key)];
          return typeof value === 'number' ? value : field.neutral;
        };
        return (
          <NumberSlider
            key={`${layer}/${field.key}`}
            label={field.label}
            term={termBeside(field)}
            min={field.min}
            max={field.max}
            step={field.step}
            neutral={field.neutral}
            value={read(draft.values)}
            ghost={read(view.settings)}
            onChange={(to) => draft.attempt(key, to)}
          />
        );
      })}
      <Origins view={view} axis={axis} layer={layer} />
      {menu.drawsCurve && (
        <div className="mt-1 flex flex-wrap items-center gap-2">
          <Button
            onClick={() =>
              draft.attempt(
                pointsKey,
                withPoint(
                  Array.isArray(points)
                    ? points
                    : [
                        [0, 0],
                        [1, 1],
                      ],
                  (u) => curveValue(own.curve, u),
                ),
              )
            }
          >
            {Array.isArray(points) ? 'Add a point' : 'Draw the curve'}
          </Button>
          {Array.isArray(points) && (
            <Button look="quiet" onClick={() => draft.attempt(pointsKey, null)}>
              Back to a straight line
            </Button>
          )}
        </div>
      )}
    </div>
  );
}

/** Where each value of the layer that is away from neutral comes from. */
function Origins({ view, axis, layer }: { view: BookView; axis: AxisView; layer: Layer }) {
  const lines = responseFields(axis, layer).flatMap((field) => {
    const origin = view.origins[keyText({ layer, axis: axis.axis, field: field.key })];
    return origin ? [`${field.label} ${valueText(origin.value)} ${originText(origin)}`] : [];
  });
  if (lines.length === 0) return null;
  return <p className="mt-1 text-sm text-muted">Kept: {lines.join('; ')}.</p>;
}

function PointHandles({ axis, layer, layers, draft }: LayerProps) {
  const key = { layer, axis: axis.axis, field: POINTS_FIELD };
  const points = draft.values[keyText(key)];
  if (!Array.isArray(points)) return null;
  return (
    <CurveHandles
      points={points}
      layers={layers}
      drawn={LAYERS.indexOf(layer)}
      onChange={(to) => draft.attempt(key, to)}
    />
  );
}

const slope = (value: number | null) => (value === null ? 'steep' : value.toFixed(2));

function ShapeFacts({ view, axis, layers }: { view: BookView; axis: AxisView; layers: ResponseLayer[] }) {
  const { travel, slopeStart, slopeMiddle, slopeEnd } = effectiveResponse(layers);
  const steps = sensorSteps(axis);
  const ratio = axis.axis === 'steering' ? centreRatio(view, layers) : null;
  const basis = basisOf(view);
  return (
    <Facts
      facts={[
        { value: percent(travel), meaning: 'of the travel is used', basis: basis.response },
        {
          basis: basis.response,
          value: (
            <span className="text-base whitespace-nowrap">{`${slope(slopeStart)} · ${slope(slopeMiddle)} · ${slope(slopeEnd)}`}</span>
          ),
          meaning: (
            <Term
              word="slope at start, middle, end"
              meaning="How much the output changes per travel used: 1 is linear, below 1 calmer, above 1 livelier."
            />
          ),
        },
        ratio === null
          ? {
              value: steps === null ? '–' : Math.floor(steps * travel).toLocaleString('en'),
              meaning: 'of resolution: steps between 0 and 100 %',
              basis: steps === null ? basis.response : basis.capture,
            }
          : {
              value: `${ratio.toFixed(3)}°`,
              meaning: 'of the road wheels per degree of the hands, at centre',
              basis: basis.hairpin,
            },
      ]}
    />
  );
}

function Notes({ view, axis, layers }: { view: BookView; axis: AxisView; layers: ResponseLayer[] }) {
  const notes = notesOf(view, axis, layers);
  if (notes.length === 0) return null;
  return (
    <ul aria-label="Notes" className="mt-4 max-w-2xl border-t border-line">
      {notes.map(({ code, text }) => (
        <li key={code} className="border-b border-line py-2 text-[15px] text-rust">
          {text}
        </li>
      ))}
    </ul>
  );
}
