import { useMemo } from 'react';
import { cleanOrigin, mainAddressChange, set, siteHost, siteOrigin } from '../../../core/site/index.ts';
import { leftover } from '../../../core/site/index.ts';
import { ChosenFact, Fact, Rail, Term } from '../../components/index.ts';
import { Segments } from '../../ui/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { BrowserTab, ResultCard, ShareCard } from '../page/previews.tsx';
import { IdentityFacts, MainAddress } from '../../components/index.ts';
import { PictureChoice } from './PictureChoice.tsx';

const SEPARATORS = ['|', '–', '·', '•', ':'] as const;
const STUFFED = 12;

/** What is true of the whole site: its name, its address, who is behind it; at the right what each does for those who see it. */
export function SiteFacts() {
  const workspace = useWorkspaceApi();
  const document = useTables('facts', 'limits', 'care');
  const home = useWorkspace((state) => state.rows.find((row) => row.address === '/'));
  const detail = useWorkspace((state) => state.detail);
  const facts = document.tables.facts[''] ?? {};
  const pictures = useReport((one) => one.tools.analysis.pictures());
  const paths = useMemo(() => [...new Set((pictures ?? []).flatMap((one) => one.path ?? []))].slice(0, 40), [pictures]);
  const chosen = facts.sharePicture?.replace(/^\//, '');
  const keywords = (facts.keywords ?? '').split(',').filter((word) => word.trim() !== '').length;
  const stale = facts.tagline ? leftover(facts.tagline, siteHost(document)) : undefined;
  return (
    <div className="mx-auto max-w-narrow">
      <h1>The site</h1>
      <p className="soft mt-1 mb-4">Told once, used everywhere: in titles, results, cards and structured data.</p>
      <div className="grid gap-x-5 gap-y-3.5 sm:grid-cols-2">
        <Fact field="siteName" />
        <Fact field="alternateName" />
        <Fact field="tagline" fault={stale && `“${stale.part}” is what a template left. Say what you do, or leave it empty.`} />
        <div>
          <p className="mb-1.5 flex items-baseline gap-x-2">
            <span className="font-semibold">Separator</span> <span className="soft text-fine">between the parts of a title</span>
          </p>
          <Segments
            label="Separator"
            value={facts.separator ?? '|'}
            onChange={(value) => workspace.change(set('facts', '', 'separator', value), { label: `The separator is ${value}` })}
            options={SEPARATORS.map((value) => ({ value: value as string, label: <span className="mono">{value}</span> }))}
          />
        </div>
        <div className="sm:col-span-2">
          <Fact field="description" />
        </div>
        <AddressVariant />
        <MainAddress />
        <ChosenFact field="language" />
        <ChosenFact field="timeZone" />
        <div>
          <Fact field="keywords" fault={keywords > STUFFED ? `${keywords} keywords look like stuffing. Keep the few that you would say aloud.` : undefined} />
          <p className="soft mt-1 text-note">
            They go on the home page alone <Term id="keywords" />
          </p>
        </div>
        <div className="sm:col-span-2">
          <Fact
            field="sharePicture"
            extra={
              paths.length > 0 && (
                <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="Pictures of the site">
                  {paths.map((path) => (
                    <PictureChoice
                      key={path}
                      path={path}
                      chosen={path === chosen}
                      onChoose={() =>
                        workspace.change(set('facts', '', 'sharePicture', path === chosen ? null : `/${path}`), { label: 'The site has another share picture' })
                      }
                    />
                  ))}
                </div>
              )
            }
          />
        </div>
      </div>
      <h2 className="mt-6 mb-3">Who is behind it</h2>
      <IdentityFacts within />
      {home && (
        <Rail>
          <h2>What it does</h2>
          <p className="soft mt-1 mb-2 text-note">The name and the address, above every result:</p>
          <div className="panel">
            <ResultCard row={home} title={home.title} description={home.description} phone={false} />
          </div>
          <p className="soft mt-4 mb-2 text-note">The name and the separator, in the browser’s tab, where titles use them:</p>
          <BrowserTab title={[`A page`, facts.separator ?? '|', facts.siteName ?? ''].join(' ')} />
          <p className="soft mt-4 mb-2 text-note">The picture, on the card of a link that has none of its own:</p>
          <div className="panel overflow-hidden">
            {detail ? (
              <ShareCard
                page={{ id: '', kind: 'page', isHome: true, facts: { ...detail.facts, metas: [] } }}
                title={facts.siteName ?? siteHost(document)}
                description={facts.description ?? facts.tagline ?? ''}
              />
            ) : (
              <p className="soft p-3">…</p>
            )}
          </div>
        </Rail>
      )}
    </div>
  );
}

/** With or without s, with or without www: settled once, for every link, map and canonical. */
function AddressVariant() {
  const workspace = useWorkspaceApi();
  const document = useTables('facts', 'limits', 'care');
  const origin = siteOrigin(document);
  const host = siteHost(document);
  const bare = host.replace(/^www\./, '');
  const local = !bare.includes('.');
  const take = (next: string): void => {
    const clean = cleanOrigin(next);
    if (clean !== undefined) workspace.change(mainAddressChange(workspace.state.document, clean), { label: `The main address is ${clean}` });
  };
  const scheme = origin.startsWith('http:') ? 'http' : 'https';
  return (
    <div>
      <p className="mb-1.5 flex items-baseline gap-x-1">
        <span className="font-semibold">One address, of four</span> <Term id="main-address" />
      </p>
      <div className="flex flex-wrap gap-2">
        <Segments
          label="Scheme"
          value={scheme}
          onChange={(value) => take(`${value}://${host}`)}
          options={[
            { value: 'https', label: 'https' },
            { value: 'http', label: 'http' },
          ]}
        />
        {!local && (
          <Segments
            label="www"
            value={host === bare ? 'bare' : 'www'}
            onChange={(value) => take(`${scheme}://${value === 'www' ? 'www.' : ''}${bare}`)}
            options={[
              { value: 'bare', label: 'without www' },
              { value: 'www', label: 'with www' },
            ]}
          />
        )}
      </div>
    </div>
  );
}
