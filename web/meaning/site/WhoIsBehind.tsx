import { Check } from 'lucide-react';
import { jsonLdScript } from '../../../core/page/index.ts';
import { all, set, type Change } from '../../../core/site/index.ts';
import { identityGaps, identityGraph } from '../../../core/structured-data/index.ts';
import type { FactOffer } from '../../../core/survey/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { countryName, FACTS, IdentityFacts, PageLink, Rail } from '../../components/index.ts';
import { Copyable } from '../../ui/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { GAPS, wording } from '../wording.ts';

/** Who is behind the site: said once, with what the pages show already offered. */
export function WhoIsBehind() {
  const document = useTables('facts');
  const offers = useReport((one) => one.tools.analysis.factOffers()) ?? [];
  const gaps = identityGaps(document);
  const graph = identityGraph(document);
  const code = graph && JSON.stringify(graph, null, 2);
  return (
    <div className="mx-auto max-w-narrow">
      <h1>Who is behind the site</h1>
      <p className="soft mt-1.5 mb-4 max-w-prose">
        Told once, written into the home page in full and named by all others. Engines then know whose pages these are.
      </p>
      <Offers offers={offers} />
      <IdentityFacts />
      <Rail>
        <div className="flex items-center justify-between">
          <h2>{wording.code}</h2>
          {graph && <Copyable text={jsonLdScript(graph)} />}
        </div>
        {code ? (
          <>
            <pre className="panel code-block code-lines mt-2" tabIndex={0} aria-label={wording.code}>
              {code}
            </pre>
            <p className="mt-2 flex items-center gap-2 text-note text-green">
              <Check size={15} aria-hidden /> Written into the home page at the next release.
            </p>
          </>
        ) : (
          <p className="notice notice-amber mt-2">Still missing: {gaps.map((gap) => GAPS[gap]).join(', ')}.</p>
        )}
      </Rail>
    </div>
  );
}

const shownAs = ({ field, value }: FactOffer): string => (field === 'country' ? countryName(value) : value);

/** What pages show of who is behind the site: taken with one key. */
function Offers({ offers }: { readonly offers: readonly FactOffer[] }) {
  const workspace = useWorkspaceApi();
  const byId = useWorkspace((state) => state.byId);
  if (offers.length === 0) return null;
  const taking = (taken: readonly FactOffer[]): Change => {
    const own = workspace.state.document.tables.facts['']?.profiles ?? '';
    const profiles = taken.flatMap(({ field, value }) => (field === 'profiles' ? [value] : []));
    return all([
      ...taken.flatMap(({ field, value }) => (field === 'profiles' ? [] : [set('facts', '', field, value)])),
      ...(profiles.length > 0 ? [set('facts', '', 'profiles', [...own.split('\n').filter(Boolean), ...profiles].join('\n'))] : []),
    ]);
  };
  return (
    <section className="panel mb-5 p-4" aria-labelledby="offers">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2 id="offers">The pages already show</h2>
        {offers.length > 1 && (
          <button
            type="button"
            className="btn btn-sm btn-primary"
            onClick={() => workspace.change(taking(offers), { label: `${counted(offers.length, 'fact')} taken from the pages` })}
          >
            Take all {offers.length}
          </button>
        )}
      </div>
      <ul className="mt-2">
        {offers.map((offer) => (
          <li key={`${offer.field} ${offer.value}`} className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-t border-line py-2">
            <span className="soft w-36 flex-none text-note">{FACTS[offer.field].label}</span>
            <span className="min-w-0 flex-1 basis-52">
              <span className="font-semibold break-words whitespace-pre-line">{shownAs(offer)}</span>
              <span className="soft block text-note">
                {offer.pages > 1 ? `on ${counted(offer.pages, 'page')}, such as ` : 'on '}
                <PageLink to="words" page={offer.page} className="link-act !font-normal">
                  {byId.get(offer.page)?.name ?? offer.page}
                </PageLink>
              </span>
            </span>
            <button
              type="button"
              className="link-act"
              aria-label={`Take ${FACTS[offer.field].label}: ${shownAs(offer)}`}
              onClick={() => workspace.change(taking([offer]), { label: `${FACTS[offer.field].label} was taken from the pages` })}
            >
              Take it
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
