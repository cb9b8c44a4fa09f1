import { counted } from './numbers.ts';
import type { ProofOutcome, ProofPiece, ReadPiece } from '../ownership/index.ts';

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
    case 'no-file':
      return {
        headline: `The file answered ${outcome.status}`,
        mend: `Skerry asked for /${outcome.name}. Place the file here, then release; the name counts to the letter.`,
      };
    case 'file-differs':
      return { headline: 'The file is not what Skerry gave you', mend: `It says “${outcome.found}”. Drop the file once more as you got it, and release.` };
    case 'no-record':
      return outcome.detail === 'no-answer'
        ? { headline: 'The domain’s name servers did not answer', mend: 'Wait a little and try again; if it stays so, ask whoever runs the domain.' }
        : {
            headline: 'The domain has no TXT record yet',
            mend: 'Set it where the domain is run. New records can take an hour, sometimes a day, until they are seen everywhere.',
          };
    case 'other-records':
      return {
        headline: 'None of the domain’s TXT records is Skerry’s',
        mend: `They say: ${outcome.found.join(' · ')}. Set one more beside them; several are allowed.`,
      };
    case 'elsewhere':
      return { headline: 'The home page leads elsewhere', mend: `It redirects to ${outcome.redirectedTo}. Prove that address, or take the redirect away.` };
  }
}

/** Why what was pasted cannot be placed. */
export function pieceWords({ reason, found, offers }: Extract<ReadPiece, { ok: false }>): string {
  switch (reason) {
    case 'empty':
      return 'Paste what the engine gave you: a tag, a code, a record for your domain, a file, or the message around it.';
    case 'script':
      return 'This is a script, and no proof of ownership. What is wanted is a tag, a file or a record.';
    case 'several':
      return offers
        ? `There are ${counted(offers.length, 'proof')} in this. Place the ones you want.`
        : `There is more than one in this${found ? ` (${found})` : ''}. Paste only the one for this site.`;
    case 'place-holder':
      return `“${found ?? ''}” stands where your code belongs. Copy it once more, from where the engine shows your own.`;
    case 'cut-off':
      return `The code is cut off: it ends in “${found ?? ''}”. Copy the whole of it.`;
    case 'mail-record':
      return 'This record is for sending mail, and proves nothing to an engine.';
    case 'no-code':
      return 'There is no tag, code, file or record in this. Copy it once more, from where the engine shows it.';
    case 'no-content':
      return `The content of ${found ?? 'it'} is missing. Copy the whole of it.`;
    case 'code-alone':
      return 'This is a code, and nothing says what it goes into. Paste the whole tag, or the whole record.';
    case 'file-alone':
      return `This names the file ${found ?? ''}, and not what stands in it. Drop the file itself here, or paste its text as well.`;
    case 'tells-crawlers':
      return `This tag tells the crawler ${found ?? ''} what it may list. It proves nothing; set it under Doors.`;
    case 'file-path':
      return `“${found ?? ''}” can’t be the name of a proof file: it has to be a plain file name without folders.`;
    case 'file-reserved':
      return `A proof file can’t be called ${found ?? ''}: that name belongs to the site itself. Copy the name the engine shows.`;
    case 'file-taken':
      return `Your site already has a file called ${found ?? ''}, and a proof would replace it. Rename that file first, or prove ownership with a tag or a record.`;
    case 'file-no-proof':
      return `${found ?? 'This file'} doesn’t look like a proof, which is a short text with a code in it. Choose the file that the engine gave you.`;
    case 'other-domain':
      return `This record is for ${found ?? 'another domain'}, which is not this site’s domain.`;
  }
}

/** What a piece is, and where it will go. */
export function pieceGoes({ kind, name }: ProofPiece, domain: string): { readonly what: string; readonly where: string } {
  switch (kind) {
    case 'tag':
      return { what: `the tag “${name}”`, where: 'into the head of the home page, once, with the next release' };
    case 'file':
      return { what: `the file ${name}`, where: `to the root of the site, byte for byte, with the next release` };
    case 'txt':
    case 'cname':
      return {
        what: `a ${kind.toUpperCase()} record`,
        where: `to the records of ${domain}, under the name ${name === '@' ? `${domain} itself` : `${name}.${domain}`}; no release is needed`,
      };
  }
}
