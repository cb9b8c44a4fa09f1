import { redirectRules, REDIRECT_FORMS, type RedirectForm } from '../../../core/release/index.ts';
import { movedSpellings, moves } from '../../../core/site/index.ts';
import { Term } from '../../components/index.ts';
import { Copyable, Empty } from '../../ui/index.ts';
import { useTables, useWorkspace } from '../../workspace/index.ts';

const FORMS: Readonly<Record<RedirectForm, { readonly name: string; readonly where: string }>> = {
  htaccess: { name: 'In an .htaccess file', where: 'Lines for the file of this name at the root of the site.' },
  'server-block': { name: 'In a server block', where: 'Lines for the server’s own configuration, inside the block of this site.' },
  lines: { name: 'As plain lines', where: 'From, to, status: what many hosts take in a file or a form.' },
};

/** Redirects from addresses that changed, written out for web servers. */
export function Redirects() {
  const document = useTables('pages', 'facts');
  const byId = useWorkspace((state) => state.byId);
  const list = moves(document);
  // A visitor may have kept any spelling of the old address.
  const all = movedSpellings(document, (file) => byId.has(file));
  if (list.length === 0)
    return (
      <Empty title="No address has changed">
        When a page gets a new address ending, its old address leads on, and the rules for your web server stand here.
      </Empty>
    );
  return (
    <div>
      <p className="mb-3">
        <Term id="redirect" /> A small page at each old address leads on by itself and goes out with the next release. If your server takes rules, use these
        instead: they are better understood by engines.
      </p>
      <ul className="panel mb-4 divide-y divide-line">
        {list.map(({ from, to }) => (
          <li key={from} className="mono px-4 py-1.5">
            {from} → {to}
          </li>
        ))}
      </ul>
      {REDIRECT_FORMS.map((form) => {
        const text = redirectRules(all, form);
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
    </div>
  );
}
