import { CircleDashed, CircleHelp, CloudLightning, CloudMoon, CloudSun, Droplets, Moon, Sun, type LucideIcon } from 'lucide-react';
import type { PageState } from '../../core/indexing/index.ts';
import { STATE_WORDS } from '../../core/wording/index.ts';

const SIGNS: Readonly<Record<PageState, LucideIcon>> = {
  findable: Sun,
  'to-mend': CloudSun,
  'kept-out': Moon,
  'half-hidden': CloudMoon,
  'shut-out': CloudLightning,
  leaking: Droplets,
  'not-live': CircleDashed,
  unseen: CircleHelp,
};

/** The sign of a state. Its word goes with it unless the word stands beside it. */
export function StateSign({ state, size = 17, silent = false }: { readonly state: PageState; readonly size?: number; readonly silent?: boolean }) {
  const Sign = SIGNS[state];
  return (
    <span
      className={`sign sign-${state}`}
      {...(silent ? { 'aria-hidden': true } : { role: 'img', 'aria-label': STATE_WORDS[state].name, title: STATE_WORDS[state].name })}
    >
      <Sign size={size} strokeWidth={2} aria-hidden />
    </span>
  );
}
