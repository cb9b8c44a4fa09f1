export const wording = {
  title: 'Prove that the site is yours',
  lead: 'Skerry gives you a tag. Paste it here, or only its code, or the message around it; it is put into the head of the home page. Release, then let Skerry look.',
  given: 'What Skerry gives you',
  paste: 'Paste what Skerry gave you',
  placeholder: '<meta name="skerry-proof" content="…">',
  place: 'Place it',
  verify: 'Let Skerry look',
  before: 'Before Skerry looks',
  scope: 'So far by a meta tag, for Skerry. Proof by a file or by a DNS record is not built yet.',
};
