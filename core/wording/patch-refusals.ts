import type { PatchRefusal } from '../page/index.ts';

/** Why a page could not be changed, to follow its name. */
export const PATCH_REFUSALS: Readonly<Record<PatchRefusal, string>> = {
  'utf-16': 'written in UTF-16; save it as UTF-8 first',
  'stateful-encoding': 'its encoding cannot be written into safely',
  'not-encodable': 'the page’s encoding has no such character; save the page as UTF-8',
  'made-by-program': 'a program makes the very place that was to be written; change it there',
  unreadable: 'it could not be read again after the change',
  'head-cannot-take-it': 'something in it, such as an unclosed title or heading, swallows what is written there',
  'snippet-twice': 'the same code is meant for the head and for the body, and can stand only once',
  'snippet-says': 'with this code the page would say something else about itself; paste it at Proof again to see what',
  'words-not-there': 'the words that were to be changed do not stand there any more',
};
