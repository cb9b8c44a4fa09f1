import { useState } from 'react';
import { useCrawlers } from '../page/crawlers.ts';
import { IntentRules } from './IntentRules.tsx';
import { KindTable } from './KindTable.tsx';
import { DirectivesEditor } from './DirectivesEditor.tsx';
import { wording } from '../wording.ts';
import { Term } from '../../components/index.ts';
import type { Kind } from '../../../core/site/index.ts';

/** What pages are for: by kind, by rule for some addresses, and for all; a page's own word comes before all of these. */
export function Intents() {
  const crawlers = useCrawlers();
  const [kind, setKind] = useState<Kind>();
  return (
    <div className="mx-auto max-w-page">
      <h1 className="mb-1">
        Kinds & rules <Term id="intent" />
      </h1>
      <p className="soft mb-4">{wording.kindsLead}</p>
      <KindTable picked={kind} onPick={setKind} crawlers={crawlers} />
      <IntentRules crawlers={crawlers} />
      <DirectivesEditor scope="site" name="All pages" crawlers={crawlers} />
    </div>
  );
}
