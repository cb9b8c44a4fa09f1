import type { ProofStep } from '../ownership/index.ts';
import { fullDate } from './dates.ts';

/** A step of the chain before an engine looks: what was looked at, and what was found. */
export function proofStepWords(step: ProofStep): { readonly name: string; readonly why: string } {
  switch (step.step) {
    case 'answers':
      return step.status === undefined
        ? { name: 'The host answers', why: 'It does not answer now.' }
        : { name: 'The host answers', why: `It answers ${step.status}.${step.status === 200 ? '' : ' An engine needs a 200.'}` };
    case 'leads-away':
      return { name: 'It answers by itself', why: `It leads to ${step.to}. An engine looks for the proof where it was asked to.` };
    case 'addresses':
      return step.state === 'bad'
        ? {
            name: 'One address behind the name',
            why: `The name leads to ${step.found.join(', ')}. Only ${step.right} is your host; an engine may ask one of the others.`,
          }
        : { name: 'The name leads to the host', why: step.found.length === 0 ? 'No address was found.' : step.found.join(', ') };
    case 'in-head':
      return {
        name: 'The tag is in the head',
        why: {
          head: 'The home page that is live has it there.',
          body: 'It is in the body of the page, where engines don’t look.',
          nowhere: 'The home page that is live doesn’t have it.',
        }[step.where],
      };
    case 'to-the-letter':
      return {
        name: 'The code is right, to the letter',
        why:
          step.state === 'good'
            ? step.found
            : step.state === 'note'
              ? 'There is a space around it. Some engines don’t forgive that.'
              : `The page says “${step.found}”.`,
      };
    case 'once':
      return { name: 'It is there once', why: step.count === 1 ? 'Once.' : `${step.count} times. One is enough; the others do no harm.` };
    case 'file-text':
      return {
        name: 'The file says what it should',
        why: step.state === 'good' ? 'Byte for byte.' : step.state === 'note' ? 'Only a line end differs, which engines forgive.' : `It says “${step.found}”.`,
      };
    case 'file-type':
      return {
        name: 'It is sent as what it is',
        why: step.state === 'good' ? step.type : `It is sent as ${step.type === '' ? 'nothing in particular' : step.type}. Some engines refuse that.`,
      };
    case 'record':
      return { name: `The record, asked of ${step.server}`, why: recordWhy(step) };
    case 'held':
      return {
        name: 'Others may remember what was there before',
        why: `Until ${fullDate(step.until)}, ${step.until.slice(11, 16)}: ${step.values.length === 0 ? 'that there was no such record' : step.values.join(', ')}.`,
      };
    case 'misplaced':
      return { name: 'It is at the right name', why: `It is at ${step.at}. Your panel may add the domain by itself; enter only the part before it.` };
  }
}

function recordWhy({ state, found, failed }: Extract<ProofStep, { step: 'record' }>): string {
  if (state === 'unknown') return 'It did not answer, so nothing is known.';
  if (state === 'good') return found.length === 1 ? 'It says it, and nothing else.' : `It says it, beside ${found.length - 1} more.`;
  if (found.length > 0) return `It says ${found.join(' · ')}.`;
  return failed === 'no-such-name' ? 'It knows no such name.' : 'It has no record of this sort at the name.';
}
