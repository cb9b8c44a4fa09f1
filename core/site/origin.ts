import { all, set, type Change } from './changes.ts';
import type { SiteDocument } from './document.ts';

/** Whether the site as it will go out is open to engines; it is, unless the switch was turned off and no plan opens it with the next release. */
export function isOpen(document: SiteDocument): boolean {
  const doors = document.tables.siteSwitch[''];
  return doors?.open !== false || doors.plan === 'next-release';
}

/** Whether nobody is let in on purpose: by the switch, or because the host shows the site to nobody or to some only. */
export function isClosed(document: SiteDocument): boolean {
  return !isOpen(document) || (document.tables.visitors['']?.audience ?? 'public') !== 'public';
}

/** How the one switch stands, in the working copy and in what is live. */
export interface SwitchStory {
  /** As the working copy has it; `planned`: shut, and the next release opens it. */
  readonly here: 'open' | 'shut' | 'planned';
  /** As the last release put it out; undefined before the first. */
  readonly live: 'open' | 'shut' | undefined;
  /** Since when it stands so here, ISO. */
  readonly since: string | undefined;
  /** While it is shut out there: the first release of the run that shut it, and how many went out since. */
  readonly shutBy: { readonly release: number; readonly at: string | undefined; readonly releases: number } | undefined;
  /** The day on which the owner wants to be reminded. */
  readonly opensOn: string | undefined;
}

/** Tells the story of the switch: what is so, since when, and which release made it so. */
export function switchStory(document: SiteDocument): SwitchStory {
  const doors = document.tables.siteSwitch[''];
  const releases = Object.entries(document.tables.releases)
    .map(([number, record]) => ({ number: Number(number), ...record }))
    .sort((a, b) => b.number - a.number);
  const last = releases[0];
  const run = releases.slice(
    0,
    releases.findIndex((release) => release.open !== false) < 0 ? releases.length : releases.findIndex((release) => release.open !== false),
  );
  const first = run[run.length - 1];
  return {
    here: doors?.open !== false ? 'open' : doors.plan === 'next-release' ? 'planned' : 'shut',
    live: last === undefined ? undefined : last.open === false ? 'shut' : 'open',
    since: doors?.since ?? undefined,
    shutBy: first && { release: first.number, at: first.at ?? undefined, releases: run.length },
    opensOn: doors?.opensOn ?? undefined,
  };
}

/** Scheme and host of the site; a placeholder under the reserved `.example` where the owner has not said. */
export function siteOrigin(document: SiteDocument): string {
  return document.tables.facts['']?.mainAddress ?? 'https://your-site.example';
}

/** The origin under which the site was brought in, where it has another main address now; undefined where it is the same. */
export function formerOrigin(document: SiteDocument): string | undefined {
  const { cameAs, mainAddress } = document.tables.facts[''] ?? {};
  return cameAs && cameAs !== mainAddress ? cameAs : undefined;
}

/** Its host. */
export function formerHost(document: SiteDocument): string | undefined {
  return formerOrigin(document)?.replace(/^https?:\/\//, '');
}

/** The change that gives the site another main address; canonicals and links that name the old one follow, with or without `www.`, by http or https. */
export function mainAddressChange(document: SiteDocument, origin: string): Change {
  const { cameAs, mainAddress } = document.tables.facts[''] ?? {};
  const came = cameAs ?? mainAddress ?? null;
  return all([set('facts', '', 'mainAddress', origin), set('facts', '', 'cameAs', came === origin ? null : came)]);
}

/** Host (and port) of the site. */
export function siteHost(document: SiteDocument): string {
  return siteOrigin(document).replace(/^https?:\/\//, '');
}
