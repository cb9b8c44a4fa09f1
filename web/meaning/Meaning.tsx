import { Check } from 'lucide-react';
import { Link } from 'react-router';
import { existingBlocks, identityGaps, identityGraph } from '../../core/structured-data/index.ts';
import { Fact, MainAddress, OwnerKind, Rail, useRoute } from '../components/index.ts';
import { Copyable } from '../ui/index.ts';
import { useTables, useWorkspace } from '../workspace/index.ts';
import { GAPS, wording } from './wording.ts';

/** The site's facts, and the identity that is made of them. */
export function Meaning() {
  const { siteId } = useRoute();
  const document = useTables('facts');
  const detail = useWorkspace((state) => state.detail);
  const gaps = identityGaps(document);
  const graph = identityGraph(document);
  const blocks = detail ? existingBlocks(detail.facts) : [];
  const code = graph && JSON.stringify(graph, null, 2);
  return (
    <div className="mx-auto max-w-narrow">
      <h1>{wording.title}</h1>
      <p className="soft mt-1.5 max-w-prose">{wording.lead}</p>
      <div className="mt-4 grid gap-x-5 gap-y-3.5 sm:grid-cols-2">
        <Fact field="siteName" />
        <MainAddress />
        <OwnerKind />
        <Fact field="ownerName" />
        <Fact field="email" />
        <Fact field="telephone" />
        <Fact field="logo" />
        <div className="sm:col-span-2">
          <Fact field="profiles" long />
        </div>
      </div>
      <p className="mt-3 text-small">
        <Link className="link-act" to={`/s/${siteId}/words/facts`}>
          Tagline, language, share picture and the other facts
        </Link>
      </p>
      <p className="soft mt-5 text-note">{wording.scope}</p>
      <Rail>
        <div className="flex items-center justify-between">
          <h2>{wording.code}</h2>
          {code && <Copyable text={`<script type="application/ld+json">\n${code}\n</script>`} />}
        </div>
        {code ? (
          <>
            <pre className="panel code-block code-lines mt-2" tabIndex={0} aria-label={wording.code}>
              {code}
            </pre>
            <p className="mt-2 flex items-center gap-2 text-note text-green">
              <Check size={15} aria-hidden /> {wording.complete}
            </p>
          </>
        ) : (
          <p className="notice notice-amber mt-2">Still missing: {gaps.map((gap) => GAPS[gap]).join(', ')}.</p>
        )}
        <h2 className="mt-5">{wording.already}</h2>
        {blocks.length === 0 && <p className="soft mt-1">{wording.none}</p>}
        <ul className="mt-1">
          {blocks.map((block, index) => (
            <li key={index}>{block.broken ? 'A block that is not JSON: engines skip it.' : block.types.join(', ')}</li>
          ))}
        </ul>
      </Rail>
    </div>
  );
}
