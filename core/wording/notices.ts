/** What the answer of an endpoint to a notice of changes means, in plain words (IndexNow protocol: 200, 202, 400, 403, 422, 429). */
export function noticeWords({ status, failed }: { readonly status?: number | undefined; readonly failed?: string | undefined }): {
  readonly good: boolean;
  readonly title: string;
  readonly text: string;
} {
  const told = (good: boolean, title: string, text: string) => ({ good, title, text });
  if (failed !== undefined)
    return failed === 'private-address'
      ? told(false, 'Not sent', 'This address lies on a private network, which is never spoken to from here.')
      : told(false, 'No answer', failed === 'no-such-host' ? 'There is no host of this name.' : 'The endpoint did not answer. Try again later.');
  switch (status) {
    case 200:
      return told(true, 'Taken', 'The addresses are in line for a visit.');
    case 202:
      return told(true, 'Taken, the key is still to be checked', 'The key file could not be looked at right now; the engine does so later.');
    case 400:
      return told(false, 'Not understood', 'What was sent has not the form the protocol asks for.');
    case 403:
      return told(false, 'The key does not hold', 'The key file is not on the site, or holds something else. Release it first.');
    case 422:
      return told(false, 'Not this site’s addresses', 'Some addresses lie on another host, or outside of the folder that the key speaks for.');
    case 429:
      return told(false, 'Too many', 'This endpoint was told too often today. Tell it tomorrow what changed until then.');
    default:
      return told(false, `It answered ${status ?? 'nothing'}`, 'That is no answer of the protocol: this may be no endpoint for notices.');
  }
}

/** What a hub's answer means, when it was told that a feed has changed (WebSub; how hubs answer is left to them). */
export function hubWords({ status, failed }: { readonly status?: number | undefined; readonly failed?: string | undefined }): ReturnType<typeof noticeWords> {
  if (failed !== undefined) return noticeWords({ failed });
  if (status !== undefined && status >= 200 && status < 300)
    return { good: true, title: 'Taken', text: 'The hub looks at the feed and passes on what is new in it.' };
  switch (status) {
    case 400:
      return { good: false, title: 'Not understood', text: 'This hub wants to be told in another way. Its own pages say how.' };
    case 403:
      return { good: false, title: 'Not its feed', text: 'The feed does not name this hub, or gives itself another address. Release it first.' };
    case 404:
    case 405:
      return { good: false, title: 'No hub', text: 'There is no hub at this address.' };
    case 429:
      return { good: false, title: 'Too many', text: 'This hub was told too often. Tell it again later.' };
    default:
      return { good: false, title: `It answered ${status ?? 'nothing'}`, text: 'Whether the hub has passed anything on is not known.' };
  }
}
