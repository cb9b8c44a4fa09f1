import * as f from '../fields.ts';
import type { Processor } from '../field.ts';

/** Questions with their answers. */
export const faq: Processor = {
  id: 'faq',
  type: 'FAQPage',
  isPage: true,
  fields: [f.questions],
  tells: ({ content, page }) => (content?.questions?.value.length ?? 0) > 2 && page.kind !== 'post',
};
/** A page that leads to others of a sort. */
export const collection: Processor = { id: 'collection', type: 'CollectionPage', isPage: true, fields: [] };
/** A page about one person. */
export const profile: Processor = {
  id: 'profile',
  type: 'ProfilePage',
  isPage: true,
  parts: { mainEntity: 'Person' },
  fields: [
    { ...f.name, path: 'mainEntity.name', find: (input) => withoutArchiveWords(f.name.find(input)) },
    {
      ...f.image,
      path: 'mainEntity.image',
      find: (input) => (input.content?.picture ? f.image.find(input) : undefined),
    },
  ],
};
/** Heads of archives say whose they are: "By Maren Quill" is Maren Quill. */
function withoutArchiveWords(value: ReturnType<typeof f.name.find>): ReturnType<typeof f.name.find> {
  if (!value) return undefined;
  const bare = value.text.replace(/^(?:(?:posts|articles|texts)\s+)?(?:by|author|von|par|por|autor(?:in)?|auteur)\s*:?\s+/i, '');
  return { ...value, json: bare, text: bare };
}

const ABOUT = /(^|\/)(about|about-us|ueber-uns|uber-uns|a-propos|qui-sommes-nous|sobre-nosotros|quienes-somos|team)(\/|\.\w+)?$/i;
const CONTACT = /(^|\/)(contact|contact-us|kontakt|contacto|nous-contacter|impressum|imprint)(\/|\.\w+)?$/i;
const path = (address: string): string => new URL(address).pathname;

/** A page about who is behind the site. */
export const aboutPage: Processor = {
  id: 'about',
  type: 'AboutPage',
  isPage: true,
  fields: [f.mainEntityOwner],
  tells: ({ address, page }) => page.kind === 'page' && ABOUT.test(path(address)),
};
/** A page that tells how to reach them. */
export const contactPage: Processor = {
  id: 'contact',
  type: 'ContactPage',
  isPage: true,
  fields: [f.mainEntityOwner],
  tells: ({ address, page }) => page.kind === 'page' && CONTACT.test(path(address)),
};
/** A page, and no more. */
export const plainPage: Processor = { id: 'page', type: 'WebPage', isPage: true, fields: [] };
