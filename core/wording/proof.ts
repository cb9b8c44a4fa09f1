import type { Pasted, ProofOutcome } from '../ownership/index.ts';

/** The engine's answer in words. */
export function proofWords(outcome: ProofOutcome): { readonly headline: string; readonly mend: string } {
  switch (outcome.kind) {
    case 'verified':
      return { headline: 'Verified: Skerry found its tag', mend: 'Leave the tag where it is. If it goes, the proof goes with it.' };
    case 'not-live':
      return outcome.detail === 'no-such-host'
        ? { headline: 'Skerry knows no site under this name', mend: 'Release the site first; what is not released is not there.' }
        : { headline: 'The site did not answer', mend: 'Look whether the host is running, then try again.' };
    case 'refused':
      return { headline: `The home page answered ${outcome.status}`, mend: 'Skerry has to be able to open it like any visitor.' };
    case 'not-found':
      return { headline: 'The tag is not on the home page', mend: 'Place it here, then release. What is not released is not seen.' };
    case 'in-body':
      return {
        headline: 'The tag stands in the body of the page',
        mend: 'It counts in the head only. Take it out of the text; this program places it in the head.',
      };
    case 'altered':
      return { headline: 'The code was altered', mend: `The home page says “${outcome.found}”. Paste what Skerry gave you once more, and release.` };
    case 'elsewhere':
      return { headline: 'The home page leads elsewhere', mend: `It redirects to ${outcome.redirectedTo}. Prove that address, or take the redirect away.` };
  }
}

/** Why what was pasted cannot be used. */
export function pastedWords(pasted: Extract<Pasted, { ok: false }>): string {
  switch (pasted.reason) {
    case 'empty':
      return 'Paste what Skerry gave you: the whole tag, only its code, or the message around it.';
    case 'several-tags':
      return 'There is more than one code in this. Paste only the one for this site.';
    case 'no-code':
      return 'There is no code in this. It is a long run of letters and figures, usually in quotation marks.';
    case 'no-content':
      return 'The tag is there, but its code is empty. Copy it once more, to the closing bracket.';
    case 'other-engine':
      return 'This tag is for another engine: its name is not Skerry’s.';
  }
}
