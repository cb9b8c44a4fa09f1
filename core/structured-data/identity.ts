import type { SiteDocument } from '../site/index.ts';
import { siteOrigin } from '../site/index.ts';

/** A node of a JSON-LD graph. */
export interface GraphNode {
  readonly '@type': string;
  readonly '@id': string;
  readonly [property: string]: unknown;
}
export interface Graph {
  readonly '@context': 'https://schema.org';
  readonly '@graph': readonly GraphNode[];
}

/** What keeps the identity from being written. */
export type IdentityGap = 'site-name' | 'owner-name' | 'main-address';

/**
 * Who is behind the site and what the site is, as one graph for the home page: an organisation or a person, and the web site it publishes,
 * joined by `@id`. Undefined until the facts it needs are there; `identityGaps` says which.
 */
export function identityGraph(document: SiteDocument): Graph | undefined {
  if (identityGaps(document).length > 0) return undefined;
  const facts = document.tables.facts[''] ?? {};
  const home = `${siteOrigin(document)}/`;
  const person = facts.ownerKind === 'person';
  const ownerId = `${home}#${person ? 'person' : 'organization'}`;
  const logo = absolute(facts.logo, home);
  const owner: GraphNode = compact({
    '@type': person ? 'Person' : 'Organization',
    '@id': ownerId,
    name: facts.ownerName,
    url: home,
    email: facts.email,
    telephone: facts.telephone,
    ...(logo === undefined ? {} : person ? { image: logo } : { logo: { '@type': 'ImageObject', url: logo } }),
    sameAs: profileAddresses(facts.profiles),
  });
  const site: GraphNode = compact({
    '@type': 'WebSite',
    '@id': `${home}#website`,
    url: home,
    name: facts.siteName,
    alternateName: facts.alternateName,
    description: facts.description,
    inLanguage: facts.language,
    publisher: { '@id': ownerId },
  });
  return { '@context': 'https://schema.org', '@graph': [owner, site] };
}

/** The facts that are still missing before the identity can be written. */
export function identityGaps(document: SiteDocument): IdentityGap[] {
  const facts = document.tables.facts[''] ?? {};
  const gaps: IdentityGap[] = [];
  if (!facts.siteName) gaps.push('site-name');
  if (!facts.ownerName) gaps.push('owner-name');
  if (!facts.mainAddress) gaps.push('main-address');
  return gaps;
}

/** Profile addresses from a text with one a line; what is no address is left out. */
export function profileAddresses(text: string | null | undefined): string[] {
  return (text ?? '').split(/\s+/).filter((address) => /^https?:\/\//i.test(address) && URL.canParse(address));
}

function absolute(reference: string | null | undefined, home: string): string | undefined {
  return reference && URL.canParse(reference, home) ? new URL(reference, home).href : undefined;
}

function compact(node: Record<string, unknown>): GraphNode {
  return Object.fromEntries(
    Object.entries(node).filter(([, value]) => value !== undefined && value !== null && value !== '' && !(Array.isArray(value) && value.length === 0)),
  ) as unknown as GraphNode;
}
