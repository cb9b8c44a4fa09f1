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

/** A row against a fixed limit. */
export function within(what: string, value: number, limit: number, unit: string): Row {
  return {
    what,
    ours: `${value.toFixed(1)} ${unit}`,
    peer: 'a limit',
    ratio: `${(value / limit).toFixed(2)} of it`,
    reach: `≤ ${limit} ${unit}`,
    reached: value <= limit,
  };
}

export function print(rows: readonly Row[]): void {
  const head: Row = { what: 'what', ours: 'ours', peer: 'against', ratio: 'ratio', reach: 'to reach', reached: true };
  const all = [head, ...rows];
  const width = (key: 'what' | 'ours' | 'peer' | 'ratio' | 'reach'): number => Math.max(...all.map((row) => row[key].length));
  for (const row of all)
    console.log(
      `${row === head ? '  ' : row.reached ? '✓ ' : '✗ '}${row.what.padEnd(width('what'))}  ${row.ours.padStart(width('ours'))}  ${row.peer.padStart(width('peer'))}  ${row.ratio.padStart(width('ratio'))}  ${row.reach.padStart(width('reach'))}`,
    );
}
