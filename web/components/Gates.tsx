import { Check, CircleHelp, Minus, X } from 'lucide-react';
import type { Gate, GatePlaces, WayIn } from '../../core/indexing/index.ts';
import { GATE_QUESTIONS, gateWords } from '../../core/wording/index.ts';

const LOOKS: Readonly<Record<Gate['outcome'], { icon: typeof Check; className: string; word: string }>> = {
  open: { icon: Check, className: 'cost-fine', word: 'open' },
  shut: { icon: X, className: 'cost-blocks', word: 'shut' },
  doubtful: { icon: CircleHelp, className: 'cost-weakens', word: 'doubtful' },
  hidden: { icon: Minus, className: 'cost-polish', word: 'cannot be seen' },
};

const SIX = 'md:grid-cols-6';
/** Seven stand closer. */
const SEVEN = 'md:grid-cols-7 *:text-small *:md:px-2 [&_.mono]:text-tiny';
const CELL =
  'border-line px-2.75 pt-3 pb-4 wrap-anywhere md:not-first:border-l max-md:grid max-md:grid-cols-[28px_1fr] max-md:gap-x-3 max-md:gap-y-0.5 max-md:px-3 max-md:py-2.5 max-md:not-first:border-t max-md:[&>:not(.cost)]:col-2';
const CELL_LOOKS: Readonly<Partial<Record<Gate['outcome'], string>>> = {
  shut: 'bg-brick-soft [&_.cost]:!bg-brick-line',
  hidden: 'bg-base-200 text-faint',
};

/** The way in: the gates a crawler passes in order, each with its evidence, at its place in the page. */
export function Gates({ way, places, expert = false }: { readonly way: WayIn; readonly places: GatePlaces; readonly expert?: boolean }) {
  return (
    <ol className={`panel grid overflow-hidden ${way.gates.length === 7 ? SEVEN : SIX}`} aria-label="The way in, gate by gate">
      {way.gates.map((gate) => (
        <GateCell key={gate.name} gate={gate} place={places[gate.name]} expert={expert} />
      ))}
    </ol>
  );
}

function GateCell({ gate, place, expert }: { readonly gate: Gate; readonly place: GatePlaces[Gate['name']]; readonly expert: boolean }) {
  const { icon: Icon, className, word } = LOOKS[gate.outcome];
  const { evidence, means, expert: told, section } = gateWords(gate.reason);
  const hidden = gate.outcome === 'hidden';
  return (
    <li className={`${CELL} ${CELL_LOOKS[gate.outcome]}`} data-gate={gate.name} data-outcome={gate.outcome}>
      <span className={`cost ${className} mb-2 max-md:col-1 max-md:row-[1/span_3]`}>
        <Icon size={16} strokeWidth={2.5} role="img" aria-label={word} />
      </span>
      <p className="font-semibold leading-snug">{GATE_QUESTIONS[gate.name]}</p>
      <p className="mono mt-1.5">{hidden ? 'cannot be read' : evidence}</p>
      {place && (
        <p className="soft mt-0.5 text-tiny">
          line {place.line}, column {place.column}
        </p>
      )}
      <p className={`mt-1 text-fine leading-snug ${gate.outcome === 'shut' ? 'font-semibold' : ''}`}>
        {hidden ? (gate.behind === 'shut' ? `${evidence} is in the page, but no engine gets to see it` : `behind the shut gate: ${evidence}`) : means}
      </p>
      {expert && (
        <p className="soft mt-1.5 text-tiny leading-snug">
          {told} <span className="block font-medium">{section}</span>
        </p>
      )}
    </li>
  );
}
