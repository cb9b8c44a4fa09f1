/** Facts of the site: what they are called, and a note beside them. */
export const FACTS = {
  siteName: { label: 'Name of the site', note: 'as it stands above every result' },
  alternateName: { label: 'A shorter or older name', note: 'optional' },
  mainAddress: { label: 'Main address', note: 'with https, and with or without www' },
  tagline: { label: 'Tagline', note: 'optional; for yourself and for titles' },
  separator: { label: 'Separator', note: 'between the parts of a title' },
  description: { label: 'What the site is, in a sentence', note: 'optional' },
  language: { label: 'Language', note: 'type to find it' },
  timeZone: { label: 'Time zone', note: 'type a city to find it' },
  keywords: { label: 'Keywords', note: 'hardly any engine reads them' },
  ownerName: { label: 'Name', note: 'of the organisation or the person' },
  email: { label: 'E-mail', note: 'optional' },
  telephone: { label: 'Telephone', note: 'optional, with the country code' },
  logo: { label: 'Logo or portrait', note: 'the address of a picture on the site' },
  sharePicture: { label: 'Share picture', note: 'for pages that have none of their own' },
  profiles: { label: 'Profiles elsewhere', note: 'addresses, one a line; a video channel too' },
} as const;

export type FactField = keyof typeof FACTS;
