import { onlyFields } from '../keyed/index.ts';
import type { SiteDocument } from '../site/index.ts';
import { siteOrigin } from '../site/index.ts';
import { identityGaps, profileAddresses } from './identity-facts.ts';
import { hoursIn, telephoneOf } from '../values/index.ts';
import { absolute, compact, type Graph, type GraphNode } from './node.ts';

/**
 * Who is behind the site and what the site is, as one graph for the home page: an organisation, a business or a person, and the web site it publishes,
 * joined by `@id`. Undefined until the facts it needs are there; `identityGaps` says which.
 */
export function identityGraph(document: SiteDocument): Graph | undefined {
  if (identityGaps(document).length > 0) return undefined;
  return { '@context': 'https://schema.org', '@graph': identityNodes(document) };
}

/** Owner and web site in full. */
export function identityNodes(document: SiteDocument): readonly [owner: GraphNode, site: GraphNode] {
  const facts = document.tables.facts[''] ?? {};
  const home = `${siteOrigin(document)}/`;
  const person = facts.ownerKind === 'person';
  const logo = absolute(facts.logo, home);
  const places = !person && ownerType(document) !== 'Organization';
  const owner: GraphNode = compact({
    '@type': ownerType(document),
    '@id': ownerId(document),
    name: facts.ownerName,
    legalName: person ? undefined : facts.legalName,
    url: home,
    email: facts.email,
    telephone: facts.telephone ? (telephoneOf(facts.telephone, facts.country ?? undefined) ?? facts.telephone) : undefined,
    ...(logo === undefined
      ? {}
      : person
        ? { image: logo }
        : places
          ? { logo: { '@type': 'ImageObject', url: logo }, image: logo }
          : { logo: { '@type': 'ImageObject', url: logo } }),
    address: addressNode(document),
    ...(places ? { openingHoursSpecification: hoursNodes(facts.hours, facts.language), priceRange: facts.priceRange } : {}),
    areaServed: person ? undefined : linesOf(facts.areaServed),
    founder: !person && facts.founder ? { '@type': 'Person', name: facts.founder } : undefined,
    foundingDate: person ? undefined : facts.foundingDate,
    jobTitle: person ? facts.jobTitle : undefined,
    identifier: identifierNodes(facts.identifiers),
    sameAs: profileAddresses(facts.profiles),
  });
  const site: GraphNode = compact({
    '@type': 'WebSite',
    '@id': siteNodeId(document),
    url: home,
    name: facts.siteName,
    alternateName: facts.alternateName,
    description: facts.description,
    inLanguage: facts.language,
    publisher: { '@id': ownerId(document) },
  });
  return [owner, site];
}

/** Owner and web site as other pages name them: the same ids, and what a reader of that page alone has to know. */
export function identityStubs(document: SiteDocument): readonly GraphNode[] {
  const keep = new Set(['@type', '@id', 'name', 'url', 'logo', 'publisher']);
  return identityNodes(document).map((node) => onlyFields(node, (_, key) => keep.has(key)));
}

export const ownerType = (document: SiteDocument): string => {
  const { ownerKind, businessType, hours } = document.tables.facts[''] ?? {};
  // What has opening hours has a door.
  return ownerKind === 'person' ? 'Person' : businessType || (hours ? 'LocalBusiness' : 'Organization');
};
export const ownerId = (document: SiteDocument): string =>
  `${siteOrigin(document)}/#${document.tables.facts['']?.ownerKind === 'person' ? 'person' : 'organization'}`;
export const siteNodeId = (document: SiteDocument): string => `${siteOrigin(document)}/#website`;

function addressNode(document: SiteDocument): Readonly<Record<string, unknown>> | undefined {
  const { street, locality, region, postalCode, country } = document.tables.facts[''] ?? {};
  const node = compact({ streetAddress: street, addressLocality: locality, addressRegion: region, postalCode, addressCountry: country?.toUpperCase() });
  return Object.keys(node).length === 0 ? undefined : { '@type': 'PostalAddress', ...node };
}

function hoursNodes(text: string | null | undefined, language: string | null | undefined): readonly Readonly<Record<string, unknown>>[] {
  return hoursIn(text ?? '', language ?? '').map(({ days, opens, closes }) => ({
    '@type': 'OpeningHoursSpecification',
    dayOfWeek: days.length === 1 ? days[0] : days,
    opens,
    closes,
  }));
}

/** Numbers that tell a business from others, one a line, with what they are in front: `VAT: GB123456789`. */
function identifierNodes(text: string | null | undefined): readonly Readonly<Record<string, unknown>>[] {
  return linesOf(text).flatMap((line) => {
    const [, name = '', value = ''] = /^([^:]{1,40}):\s*(.+)$/.exec(line) ?? [];
    return value === '' ? [] : [{ '@type': 'PropertyValue', name, value }];
  });
}

const linesOf = (text: string | null | undefined): string[] =>
  (text ?? '')
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
