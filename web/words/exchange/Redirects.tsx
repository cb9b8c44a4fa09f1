import {
  goneRules,
  redirectRules,
  REDIRECT_FORMS,
  SERVER_FILE,
  serverBlockLines,
  serverWishes,
  type Redirect,
  type RedirectForm,
} from '../../../core/release/index.ts';
import { addressOf, goneForGood, set, siteOrigin } from '../../../core/site/index.ts';
import { readableAddress } from '../../../core/source/index.ts';
import { Term } from '../../components/index.ts';
import { Copyable, Empty } from '../../ui/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';

const FORMS: Readonly<Record<RedirectForm, { readonly name: string; readonly where: string }>> = {
  htaccess: { name: 'In an .htaccess file', where: 'Lines for the file of this name at the root of the site.' },
  'server-block': { name: 'In a server block', where: 'Lines for the server’s own configuration, inside the block of this site.' },
  lines: { name: 'As plain lines', where: 'From, to, status: what many hosts take in a file or a form.' },
};

const NONE: readonly (Redirect & { readonly file: string })[] = [];

/** Redirects from addresses that changed or are gone, written into the site's files or out for web servers. */
export function Redirects() {
  const document = useTables('pages', 'facts', 'redirects', 'headers', 'directives', 'siteSwitch');
  const byId = useWorkspace((state) => state.byId);
  // A visitor may have kept any spelling of the old address.
  const wishes = serverWishes(document, (file) => byId.has(file));
  const list = wishes.redirects;
  const workspace = useWorkspaceApi();
  // Pages of ours that lead on, those of addresses given up long ago among them.
  const pages = useReport((one) => one.tools.analysis.redirectPages()) ?? NONE;
  const files = new Map(pages.map(({ from, file }) => [from, file]));
  const rows = [...list, ...pages.filter(({ from }) => !list.some((one) => one.from === from))];
  const end = (from: string, file: string): void => workspace.change(set('redirects', file, 'ends', true), { label: `${from} no longer redirects` });
  const { gone } = wishes;
  const goneFiles = goneForGood(document).filter((file) => gone.includes(addressOf(file)));
  return (
    <div>
      <ServerFile lines={serverBlockLines(wishes)} />
      {goneFiles.length > 0 && (
        <section className="panel mt-4" aria-labelledby="gone">
          <h2 id="gone" className="px-4 pt-2.5">
            Gone for good
          </h2>
          <p className="soft px-4 text-small">These addresses answer 410, so engines drop them sooner.</p>
          <ul className="mt-1.5 divide-y divide-line border-t border-line">
            {goneFiles.map((file) => (
              <li key={file} className="flex flex-wrap items-baseline gap-x-3 px-4 py-1.5">
                <span className="mono min-w-0 flex-1 break-all">{readableAddress(addressOf(file))}</span>
                <button
                  type="button"
                  className="link-act text-note"
                  aria-label={`No longer say that ${addressOf(file)} is gone`}
                  onClick={() => workspace.change(set('redirects', file, 'gone', null), { label: `${addressOf(file)} is no longer said to be gone for good` })}
                >
                  Answer “not found” instead
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {rows.length === 0 && goneFiles.length > 0 ? null : rows.length === 0 ? (
        <Empty title="No address has changed">
          When a page gets a new address ending or is gone from the site, its old address leads on, and the rules for your web server stand here.
        </Empty>
      ) : (
        <>
          <p className="mt-4 mb-3">
            <Term id="redirect" /> A small page at each old address leads on by itself and goes out with the next release. If your server takes rules, use these
            instead: they are better understood by engines.
          </p>
          <ul className="panel mb-4 divide-y divide-line">
            {rows.map(({ from, to }) => {
              const file = files.get(from);
              return (
                <li key={from} className="flex flex-wrap items-baseline gap-x-3 px-4 py-1.5">
                  <span className="mono min-w-0 flex-1 break-all">
                    {from} → {to}
                  </span>
                  {file !== undefined && (
                    <button type="button" className="link-act text-note" aria-label={`Stop redirecting ${from}`} onClick={() => end(from, file)}>
                      Stop redirecting
                    </button>
                  )}
                </li>
              );
            })}
          </ul>
          {REDIRECT_FORMS.map((form) => {
            const text = redirectRules(list, form) + goneRules(gone, form);
            return (
              <section key={form} className="panel mb-3 overflow-hidden">
                <div className="flex items-center justify-between gap-3 border-b border-line px-4 py-1.5">
                  <div>
                    <h2>{FORMS[form].name}</h2>
                    <p className="soft text-note">{FORMS[form].where}</p>
                  </div>
                  <Copyable text={text} />
                </div>
                <pre className="code-block code-lines" tabIndex={0} aria-label={FORMS[form].name}>
                  {text}
                </pre>
              </section>
            );
          })}
        </>
      )}
    </div>
  );
}

/** The rules written into the site's own file, where its server reads one. */
function ServerFile({ lines }: { readonly lines: string }) {
  const workspace = useWorkspaceApi();
  const document = useTables('facts');
  const { serverFile, serverLeads } = document.tables.facts[''] ?? {};
  const turn = (field: 'serverFile' | 'serverLeads', on: boolean, label: string): void =>
    workspace.change(set('facts', '', field, on ? true : null), { label: `${label} was turned ${on ? 'on' : 'off'}` });
  return (
    <section className="panel px-4 py-3" aria-labelledby="server-file">
      <label className="flex items-start gap-3">
        <input
          type="checkbox"
          className="toggle toggle-sm mt-0.5"
          checked={serverFile === true}
          onChange={(event) => turn('serverFile', event.target.checked, `Writing into ${SERVER_FILE}`)}
        />
        <span>
          <span id="server-file" className="font-semibold">
            Write them into the site’s {SERVER_FILE}
          </span>
          <span className="soft block text-small">
            For hosts whose server reads it. Redirects and header rules stand in a marked block of ours; whatever else is in the file stays, byte for byte.
          </span>
        </span>
      </label>
      {serverFile === true && (
        <>
          <label className="mt-2.5 flex items-start gap-3">
            <input
              type="checkbox"
              className="toggle toggle-sm mt-0.5"
              checked={serverLeads === true}
              onChange={(event) => turn('serverLeads', event.target.checked, 'One leading address')}
            />
            <span>
              <span className="font-semibold">Lead every variant to {siteOrigin(document)}</span>
              <span className="soft block text-small">With and without s, with and without www. Leave it off where the host does that already.</span>
            </span>
          </label>
          <pre className="code-block mt-2.5 max-h-56 overflow-auto text-tiny" tabIndex={0} aria-label={`What is written into ${SERVER_FILE}`}>
            {lines === '' ? 'Nothing yet: no address moved, and no file has a header rule.' : lines}
          </pre>
        </>
      )}
    </section>
  );
}
