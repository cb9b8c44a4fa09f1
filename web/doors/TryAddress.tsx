import { Check, X } from 'lucide-react';
import { useState } from 'react';
import type { RobotsVerdict } from '../../core/robots/index.ts';
import { useReport } from '../workspace/index.ts';
import { W } from './wording.ts';

const CRAWLERS = ['SkerryBot', 'PloverBot'];

/** Any address against each crawler, with the line that decides. */
export function TryAddress({ start }: { readonly start: string }) {
  const [address, setAddress] = useState(start);
  const verdicts = useReport((one) => one.tools.analysis.tryAddress(address, CRAWLERS), address);
  return (
    <section className="mt-5">
      <div className="mb-2 flex items-baseline justify-between">
        <h2>{W.tryTitle}</h2>
        <span className="soft text-[13px]">2 crawlers</span>
      </div>
      <div className="panel p-3">
        <input
          className="input mono w-full"
          aria-label="An address on this site"
          value={address}
          spellCheck={false}
          onChange={(event) => setAddress(event.target.value)}
        />
        <ul aria-live="polite">
          {verdicts?.map(({ crawler, verdict }) => (
            <li key={crawler} className="flex gap-3 border-[color:var(--line)] pt-3">
              <span className={`cost ${verdict.allowed ? 'cost-fine' : 'cost-blocks'}`}>
                {verdict.allowed ? <Check size={16} strokeWidth={2.5} aria-hidden /> : <X size={16} strokeWidth={2.5} aria-hidden />}
              </span>
              <div>
                <p className="font-semibold">
                  {crawler} {verdict.allowed ? 'may fetch it' : 'may not fetch it'}
                </p>
                <p className="soft text-[13px]">{why(verdict)}</p>
              </div>
            </li>
          ))}
        </ul>
        {!verdicts && <p className="soft pt-2 text-[13px]">This is no address.</p>}
      </div>
    </section>
  );
}

function why({ rule, group }: RobotsVerdict): string {
  if (rule) return `line ${rule.line} is the longest match, ${rule.pattern.length} characters`;
  if (group === 'own') return 'its own group has no rule for it, and it does not listen to the others';
  return group === 'everyone' ? 'no rule for it' : 'there are no rules for it';
}
