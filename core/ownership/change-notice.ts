/*
 * Change notices by the open IndexNow protocol: what changed is told to an endpoint, with a key that stands as a text file on the host. Its answers are
 * 200, 202, 400, 403, 422 and 429.
 */

/** Most addresses in one notice. */
export const NOTICE_ADDRESSES = 10_000;

/** Whether a text can be a key: 8 to 128 characters, letters, digits and hyphens. */
export const isNoticeKey = (text: string): boolean => /^[A-Za-z0-9-]{8,128}$/.test(text);

/** The file at the root that holds a key. */
export const noticeKeyFile = (key: string): string => `${key}.txt`;

/** What is told to an endpoint. */
export interface ChangeNotice {
  readonly host: string;
  readonly key: string;
  readonly keyLocation?: string | undefined;
  readonly urlList: readonly string[];
}

/** Where the key of a notice is to be found: where it says, else in the file of its name at the root. Undefined where what it says is no address. */
export function keyLocationOf({ host, key, keyLocation }: ChangeNotice, scheme = 'https'): string | undefined {
  if (keyLocation === undefined) return `${scheme}://${host}/${noticeKeyFile(key)}`;
  return URL.canParse(keyLocation) ? keyLocation : undefined;
}

/**
 * What an engine can say of a notice before it looks for the key: 400 for what has not the form, 422 where addresses are not the host's or do not lie
 * where the key's file speaks for (the folder it stands in, and below). Undefined where the key is to be looked for.
 */
export function noticeFault(notice: ChangeNotice): { readonly status: 400 | 422; readonly address?: string } | undefined {
  if (!isNoticeKey(notice.key) || notice.urlList.length === 0 || notice.urlList.length > NOTICE_ADDRESSES) return { status: 400 };
  if (!URL.canParse(`https://${notice.host}/`)) return { status: 400 };
  const location = keyLocationOf(notice);
  if (location === undefined) return { status: 400 };
  const key = new URL(location);
  const host = new URL(`https://${notice.host}/`).host;
  if (key.host !== host) return { status: 422, address: location };
  const folder = key.pathname.slice(0, key.pathname.lastIndexOf('/') + 1);
  const foreign = notice.urlList.find((address) => {
    if (!URL.canParse(address)) return true;
    const url = new URL(address);
    return !/^https?:$/.test(url.protocol) || url.host !== host || !url.pathname.startsWith(folder);
  });
  return foreign === undefined ? undefined : { status: 422, address: foreign };
}

/** Whether what stands in a key's file is the key; white space around it is what editors put there. */
export const keyStandsIn = (text: string, key: string): boolean => text.replace(/^\ufeff/, '').trim() === key;
