'use client';

import { lazy, Suspense, useEffect, useMemo, useRef, useState } from 'react';
import type { EChartsCoreOption, EChartsType } from 'echarts/core';
import { Button } from './Button';
import { readPalette, type ChartPalette } from './chartTheme';
import { tableCsv } from './csv';
import { DotsMenu, MenuItem } from './DotsMenu';
import { download } from './download';
import type { Fetched } from './useFetched';

/** Comes when somebody asks for the table behind a picture. */
const Table = lazy(() => import('./Table').then((module) => ({ default: module.Table })));

interface ChartTable {
  columns: string[];
  rows: (string | number)[][];
}

interface Props {
  /** Builds the option from the theme's colours; a pure function. */
  build(palette: ChartPalette): EChartsCoreOption;
  /** What the picture shows, in a sentence. */
  label: string;
  /** The same data as a table, behind the chart and as CSV. */
  table: ChartTable;
  fileName: string;
  className?: string;
}

/** An ECharts picture in the shared theme, loaded when first needed; saved as PNG, SVG or CSV, read as a table. */
export function Chart({ build, label, table, fileName, className = '' }: Props) {
  const place = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType | null>(null);
  const [isTable, setIsTable] = useState(false);
  const [theme, setTheme] = useState(0);
  const latest = useMemo(() => ({ build }), [build]);

  useEffect(() => {
    const again = () => setTheme((n) => n + 1);
    const media = window.matchMedia('(prefers-color-scheme: dark)');
    const watcher = new MutationObserver(again);
    media.addEventListener('change', again);
    watcher.observe(document.documentElement, { attributeFilter: ['data-theme'] });
    return () => {
      media.removeEventListener('change', again);
      watcher.disconnect();
    };
  }, []);

  useEffect(() => {
    if (isTable) return;
    let isOff = false;
    const element = place.current!;
    const watcher = new ResizeObserver(() => chart.current?.resize());
    void import('./echarts').then(({ init }) => {
      if (isOff) return;
      chart.current = init(element, null, { renderer: 'canvas' });
      chart.current.setOption(latest.build(readPalette()), true);
      element.dataset['drawn'] = 'true';
      watcher.observe(element);
    });
    return () => {
      isOff = true;
      watcher.disconnect();
      chart.current?.dispose();
      chart.current = null;
    };
    // The option itself is set below; a chart is made once per switch from table to picture.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isTable]);

  useEffect(() => {
    chart.current?.setOption(latest.build(readPalette()), true);
  }, [latest, theme]);

  const save = async (kind: 'png' | 'svg' | 'csv') => {
    if (kind === 'csv')
      return download(`${fileName}.csv`, blobUrl(tableCsv(table.columns, table.rows), 'text/csv'));
    if (kind === 'png' && chart.current)
      return download(
        `${fileName}.png`,
        chart.current.getDataURL({ pixelRatio: 2, backgroundColor: readPalette().ground }),
      );
    const { init } = await import('./echarts');
    const size = place.current?.getBoundingClientRect();
    const offscreen = init(null, null, {
      renderer: 'svg',
      ssr: true,
      width: size?.width ?? 900,
      height: size?.height ?? 400,
    });
    offscreen.setOption(build(readPalette()));
    download(`${fileName}.svg`, blobUrl(offscreen.renderToSVGString(), 'image/svg+xml'));
    offscreen.dispose();
  };

  return (
    <figure className={`relative ${className}`} aria-label={label}>
      {isTable ? (
        <DataTable table={table} label={label} />
      ) : (
        <div ref={place} role="img" aria-label={label} className="h-full w-full" />
      )}
      <DotsMenu label={`${label}: table and saving`} className="absolute -top-1 right-0">
        <MenuItem onSelect={() => setIsTable(!isTable)}>
          {isTable ? 'Show the picture' : 'Show as a table'}
        </MenuItem>
        {!isTable && <MenuItem onSelect={() => void save('png')}>Save as PNG</MenuItem>}
        {!isTable && <MenuItem onSelect={() => void save('svg')}>Save as SVG</MenuItem>}
        <MenuItem onSelect={() => void save('csv')}>Save as CSV</MenuItem>
      </DotsMenu>
    </figure>
  );
}

/** Stands where a chart will, until what it draws is there. */
export function ChartPlace({
  className,
  of,
}: {
  className: string;
  of: Pick<Fetched<unknown>, 'fault' | 'again'>;
}) {
  return (
    <div
      className={`flex flex-col items-center justify-center gap-3 ${className}`}
      aria-busy={of.fault === null}
    >
      {of.fault !== null && (
        <>
          <p className="text-rust">{of.fault}</p>
          <Button onClick={of.again}>Try again</Button>
        </>
      )}
    </div>
  );
}

function DataTable({ table, label }: { table: ChartTable; label: string }) {
  return (
    <div className="h-full overflow-auto" tabIndex={0} role="region" aria-label={label}>
      <Suspense>
        <Table
          label={label}
          rows={table.rows}
          columns={table.columns.map((head, k) => ({
            head,
            value: (row: ChartTable['rows'][number]) => row[k] ?? null,
            className: 'font-mono',
          }))}
          keyOf={(_, i) => String(i)}
          isInOrder
          isDense
          className=""
        />
      </Suspense>
    </div>
  );
}

function blobUrl(text: string, type: string): string {
  return URL.createObjectURL(new Blob([text], { type }));
}
