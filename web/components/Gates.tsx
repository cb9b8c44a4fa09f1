import { Check, CircleHelp, Minus, X } from 'lucide-react';
import type { Gate, GatePlaces, WayIn } from '../../core/indexing/index.ts';
import { GATE_QUESTIONS, gateWords } from '../../core/wording/index.ts';
import './gates.css';

const LOOKS: Readonly<Record<Gate['outcome'], { icon: typeof Check; className: string; word: string }>> = {
  open: { icon: Check, className: 'cost-fine', word: 'open' },
  shut: { icon: X, className: 'cost-blocks', word: 'shut' },
  doubtful: { icon: CircleHelp, className: 'cost-weakens', word: 'doubtful' },
  hidden: { icon: Minus, className: 'cost-polish', word: 'cannot be seen' },
};

/** The way in: the gates a crawler passes in order, each with its evidence, at its place in the page. */
export function Gates({ way, places, expert = false }: { readonly way: WayIn; readonly places: GatePlaces; readonly expert?: boolean }) {
  return (
    <ol className={`panel gates gates-${way.gates.length}`} aria-label="The way in, gate by gate">
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
    <li className={`gate gate-${gate.outcome}`} data-gate={gate.name} data-outcome={gate.outcome}>
      <span className={`cost ${className} mb-2`}>
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
