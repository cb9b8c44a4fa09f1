import type ApexCharts from 'apexcharts';
import type { ApexOptions } from 'apexcharts';
import { useEffect, useRef, useState } from 'react';

/** One row of numbers of a chart, with the custom property of the theme that colours it. */
export interface Series {
  readonly name: string;
  readonly colour: `--${string}`;
  readonly values: readonly number[];
  /** Drawn as a line over the columns. */
  readonly line?: boolean;
}

/**
 * Numbers over days, as columns one on the other or as lines. The library comes when a chart is first shown; who cannot see it gets `label`, and every
 * screen shows the numbers as a table besides.
 */
export function Chart({
  label,
  days,
  series,
  kind = 'columns',
  height = 190,
}: {
  readonly label: string;
  /** What stands below each column. */
  readonly days: readonly string[];
  readonly series: readonly Series[];
  readonly kind?: 'columns' | 'lines';
  readonly height?: number;
}) {
  const host = useRef<HTMLDivElement>(null);
  const chart = useRef<ApexCharts>(undefined);
  const [failed, setFailed] = useState(false);
  const theme = useTheme();
  // What is the same is not drawn anew, however often it is made.
  const drawn = JSON.stringify([days, series, kind, height, theme]);
  const latest = useRef<() => ApexOptions>(() => ({}));
  useEffect(() => {
    latest.current = () => optionsFor(days, series, kind, height, theme);
  });
  useEffect(() => void chart.current?.updateOptions(latest.current(), true, false), [drawn]);
  useEffect(() => {
    let gone = false;
    import('apexcharts')
      .then(async ({ default: Apex }) => {
        if (gone || !host.current) return;
        const made = new Apex(host.current, latest.current());
        chart.current = made;
        await made.render();
        if (gone) made.destroy();
      })
      .catch(() => setFailed(true));
    return () => {
      gone = true;
      chart.current?.destroy();
      chart.current = undefined;
    };
  }, []);
  return (
    <div role="img" aria-label={label} style={{ minHeight: height }}>
      {failed ? <p className="soft text-note">The chart could not be loaded. The numbers stand in the table below.</p> : <div ref={host} aria-hidden />}
    </div>
  );
}

/** The theme that is shown, followed as it changes. */
function useTheme(): string {
  const [theme, setTheme] = useState(() => document.documentElement.dataset['theme'] ?? '');
  useEffect(() => {
    const observer = new MutationObserver(() => setTheme(document.documentElement.dataset['theme'] ?? ''));
    observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
    return () => observer.disconnect();
  }, []);
  return theme;
}

/** The next number above `most` that two steps reach in round numbers. */
function roundAbove(most: number): number {
  const unit = 10 ** Math.floor(Math.log10(Math.max(1, most)));
  return [1, 2, 4, 6, 8, 10].map((times) => Math.max(2, times * unit)).find((bound) => bound >= most) ?? 10 * unit;
}

/** Days named below a chart. */
const NAMED = 10;

/** `theme` is only named for what the colours depend on. */
function optionsFor(days: readonly string[], series: readonly Series[], kind: 'columns' | 'lines', height: number, theme: string): ApexOptions {
  const style = getComputedStyle(document.documentElement);
  const colour = (name: string): string => style.getPropertyValue(name).trim() || (theme === 'dusk' ? '#ece5d6' : '#1d2939');
  const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
  const most = Math.max(
    0,
    ...days.map((_, at) => series.reduce((sum, { values }) => (kind === 'columns' ? sum + (values[at] ?? 0) : Math.max(sum, values[at] ?? 0)), 0)),
  );
  return {
    chart: {
      type: kind === 'columns' ? 'bar' : 'line',
      stacked: kind === 'columns',
      height,
      width: '100%',
      toolbar: { show: false },
      zoom: { enabled: false },
      animations: { enabled: !still, speed: 250 },
      fontFamily: 'inherit',
      background: 'transparent',
      foreColor: colour('--soft'),
      parentHeightOffset: 0,
    },
    series: series.map(({ name, values }) => ({ name, data: [...values] })),
    colors: series.map((one) => colour(one.colour)),
    xaxis: {
      categories: days.map((day, at) => ((days.length - 1 - at) % Math.ceil(days.length / NAMED) === 0 ? day : '')),
      axisTicks: { show: false },
      axisBorder: { color: colour('--line') },
      labels: { rotate: 0, hideOverlappingLabels: true },
      tooltip: { enabled: false },
    },
    yaxis: { min: 0, max: roundAbove(most), tickAmount: 2, decimalsInFloat: 0 },
    fill: { opacity: 1 },
    grid: { borderColor: colour('--line'), strokeDashArray: 3, padding: { left: 4, right: 4, top: -14, bottom: -4 } },
    plotOptions: { bar: { columnWidth: `${Math.min(70, 6 * days.length + 6)}%`, borderRadius: 2, borderRadiusApplication: 'end' } },
    stroke: kind === 'lines' ? { width: 2.5, curve: 'straight' } : { width: 0 },
    markers: { size: kind === 'lines' && days.length < 40 ? 3.5 : 0, strokeWidth: 0 },
    dataLabels: { enabled: false },
    legend: { show: series.length > 1, position: 'top', horizontalAlign: 'right', markers: { size: 6 }, itemMargin: { horizontal: 8 } },
    states: { hover: { filter: { type: 'none' } }, active: { filter: { type: 'none' } } },
    tooltip: {
      theme: theme === 'dusk' ? 'dark' : 'light',
      shared: true,
      intersect: false,
      x: { formatter: (_, options: { dataPointIndex: number }) => days[options.dataPointIndex] ?? '' },
    },
  };
}
