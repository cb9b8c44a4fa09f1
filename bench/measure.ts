/** One line of the table: what was measured, against what, and what is to be reached. */
export interface Row {
  readonly what: string;
  readonly ours: string;
  readonly peer: string;
  readonly ratio: string;
  readonly reach: string;
  readonly reached: boolean;
}

/** Median of several runs of both, taken in turns so that a busy machine is unfair to both alike. Milliseconds. */
export function inTurns(ours: () => void, peer: () => void, turns = 5): { ours: number; peer: number } {
  const times: [number[], number[]] = [[], []];
  for (let turn = 0; turn < turns; turn++) {
    for (const [index, run] of [ours, peer].entries()) {
      const started = performance.now();
      run();
      times[index as 0 | 1].push(performance.now() - started);
    }
  }
  return { ours: median(times[0]), peer: median(times[1]) };
}

export function median(times: readonly number[]): number {
  return percentile(times, 0.5);
}

export function percentile(times: readonly number[], share: number): number {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
}

export const ms = (time: number): string => `${time < 10 ? time.toFixed(1) : Math.round(time).toLocaleString('en')} ms`;

/** A row for "at least so many times faster than the peer". */
export function faster(what: string, times: { ours: number; peer: number }, peerName: string, atLeast: number): Row {
  const ratio = times.peer / times.ours;
  return {
    what,
    ours: ms(times.ours),
    peer: `${ms(times.peer)} ${peerName}`,
    ratio: `${ratio.toFixed(1)} × faster`,
    reach: `≥ ${atLeast} ×`,
    reached: ratio >= atLeast,
  };
}

/** A row for "at most so many times slower". */
export function slower(what: string, times: { ours: number; peer: number }, peerName: string, atMost: number): Row {
  const ratio = times.ours / times.peer;
  return {
    what,
    ours: ms(times.ours),
    peer: `${ms(times.peer)} ${peerName}`,
    ratio: `${ratio.toFixed(2)} × its time`,
    reach: `≤ ${atMost} ×`,
    reached: ratio <= atMost,
  };
}

/** A row against a fixed limit. `slowness` is what the yardstick says of the machine in this minute: the limit scales with it. */
export function within(what: string, value: number, limit: number, unit: string, slowness?: number): Row {
  const scaled = limit * (slowness ?? 1);
  return {
    what,
    ours: `${value.toFixed(1)} ${unit}`,
    peer: slowness === undefined ? 'a limit' : `a limit, yardstick ${slowness.toFixed(2)}`,
    ratio: `${(value / (scaled || 1)).toFixed(2)} of it`,
    reach: slowness === undefined ? `≤ ${limit} ${unit}` : `≤ ${limit} → ${scaled.toFixed(0)} ${unit}`,
    reached: value <= scaled,
  };
}

/** Median of at least three runs, in milliseconds. */
export function timed(run: () => void, turns = 3): number {
  return median(
    Array.from({ length: turns }, () => {
      const started = performance.now();
      run();
      return performance.now() - started;
    }),
  );
}

/** Columns of the table, in characters; a row is printed as soon as it is measured, so none knows how wide the others are. */
const WIDTHS = { what: 86, ours: 12, peer: 34, ratio: 16, reach: 18 } as const;

/** Prints one row of the table. */
export function print(row: Omit<Row, 'reached'>, mark = '  '): void {
  const { what, ours, peer, ratio, reach } = row;
  console.log(
    `${mark}${what.padEnd(WIDTHS.what)}  ${ours.padStart(WIDTHS.ours)}  ${peer.padStart(WIDTHS.peer)}  ${ratio.padStart(WIDTHS.ratio)}  ${reach.padStart(WIDTHS.reach)}`,
  );
}
