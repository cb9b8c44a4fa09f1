import { z } from 'zod';
import type { Store } from './store.ts';

const saved = z.strictObject({ version: z.literal(1), ahead: z.number().nonnegative() });
const DAY = 86_400_000;

/** The one clock of all stand-ins: real time, plus the days it was moved on. */
export class StandInClock {
  private ahead = 0;

  constructor(
    private readonly store: Store,
    private readonly realNow: () => number,
  ) {}

  async open(): Promise<void> {
    this.ahead = (await this.store.read('clock', saved))?.ahead ?? 0;
  }

  /** Milliseconds since 1970. */
  now(): number {
    return this.realNow() + this.ahead;
  }

  iso(): string {
    return new Date(this.now()).toISOString();
  }

  async advanceDay(): Promise<void> {
    const ahead = this.ahead + DAY;
    await this.store.write('clock', { version: 1, ahead });
    this.ahead = ahead;
  }
}
