import { useState } from 'react';
import { stopOf } from '../../../core/checks/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { counted, fixButton, readBack } from '../../../core/wording/index.ts';
import type { PageMeaningDetail } from '../../analysis/index.ts';
import { Findings, lineOf, PageHead, PageName, Rail, useRoute, WalkBar } from '../../components/index.ts';
import { Copyable, Empty, Unfolding } from '../../ui/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { asScript } from '../code.ts';
import { setForeign } from '../commands.ts';
import { NotWritten } from '../NotWritten.tsx';
import { wording } from '../wording.ts';
import { BroughtMarkup } from './BroughtMarkup.tsx';
import { EngineResult } from './EngineResult.tsx';
import { GraphPicture } from './GraphPicture.tsx';
import { ReadBack, type Pressed } from './ReadBack.tsx';
import { ValueDetail } from './ValueDetail.tsx';
import { WhatItIs } from './WhatItIs.tsx';

/** One page's structured data: read back in sentences, as a picture, and as code; what engines make of it, and what it came with. */
export function OnePage() {
  const { page } = useRoute();
  const row = useWorkspace((state) => (page === undefined ? undefined : state.byId.get(page)));
  const meaning = useReport((one) => (page === undefined ? Promise.resolve(undefined) : one.tools.analysis.meaning(page)), page ?? '');
  const on = useTables('meaning').tables.meaning['']?.on === true;
  if (!row) return <Empty title={wording.noPages}>{wording.noPagesWhy}</Empty>;
  return (
    <div className="mx-auto max-w-narrow">
      {on && <WalkBar stop="meaning" enough={wording.enough} />}
      {meaning ? (
        <Sheet key={row.id} row={row} meaning={meaning} />
      ) : (
        <>
          <h1>
            <PageName row={row} />
          </h1>
          <p className="soft mt-2" role="status">
            {wording.reading}
          </p>
        </>
      )}
    </div>
  );
}

function Sheet({ row, meaning }: { readonly row: PageRow; readonly meaning: PageMeaningDetail }) {
  const { report, brought } = meaning;
  const siteName = useTables('facts').tables.facts['']?.siteName ?? '';
  const source = useWorkspace((state) => (state.detail?.id === row.id ? state.detail.source : undefined));
  const workspace = useWorkspaceApi();
  const [pressed, setPressed] = useState<Pressed>();
  const sentences = readBack(report, siteName);
  const findings = row.findings.filter((finding) => stopOf(finding) === 'meaning');
  const code = report.nodes.length === 0 ? '' : asScript(report.nodes);
  const thing = pressed && report.things.find(({ processor }) => processor === pressed.processor);
  const value = thing?.values.find(({ path }) => path === pressed?.path);
  return (
    <>
      <PageHead row={row}>
        <WhatItIs row={row} report={report} />
      </PageHead>
      {report.on && report.kept.length > 0 && (
        <p className="notice mb-5">
          The page came with a {report.kept.join(' and a ')} of its own, which stays: what is told here of it is not written besides. Taken over, the two are
          one.
          <button type="button" className="link-act ml-2" onClick={() => setForeign(workspace, [row], 'take')}>
            Take it over
          </button>
        </p>
      )}
      {report.unread && <p className="notice notice-amber mb-5">{wording.unread}</p>}
      {!report.on && <NotWritten waits={report.waits} />}
      <h2 id="read-back" className="mb-2">
        {report.on ? wording.readBack : wording.wouldBe}
      </h2>
      {report.off ? (
        <p className="panel soft p-5">This page tells engines nothing of its own: its markup is off.</p>
      ) : (
        <>
          <ReadBack
            sentences={sentences}
            pressed={pressed}
            onPress={(next) => setPressed(pressed?.processor === next.processor && pressed.path === next.path ? undefined : next)}
          />
          {pressed && (
            <ValueDetail
              key={`${pressed.processor} ${pressed.path}`}
              row={row}
              pressed={pressed}
              value={value}
              trailFrom={report.trailFrom}
              source={source}
              onDone={() => setPressed(undefined)}
            />
          )}
        </>
      )}
      {report.nodes.length > 0 && (
        <>
          <h2 className="mt-6 mb-2">{wording.things}</h2>
          <GraphPicture nodes={report.nodes} address={row.address} />
          <Unfolding name={wording.code} about={`${counted(report.nodes.length, 'thing')}, JSON-LD`} className="mt-4">
            <div className="mt-2 flex justify-end">
              <Copyable text={code} />
            </div>
            <pre className="panel code-block code-lines mt-2" tabIndex={0} aria-label={wording.code}>
              {code}
            </pre>
          </Unfolding>
        </>
      )}
      <Rail>
        <EngineResult row={row} extras={report.extras} />
        <div className="mt-5 flex items-baseline justify-between">
          <h2>{wording.left}</h2>
          <span className="soft text-note">{findings.length === 0 ? 'nothing' : `${findings.length} open`}</span>
        </div>
        {findings.length > 0 && (
          <Findings
            findings={findings}
            place={(finding) => {
              const fault = 'fault' in finding ? finding.fault : undefined;
              return fault && source !== undefined ? lineOf(source, fault.start) : undefined;
            }}
            action={(finding) =>
              'fault' in finding && report.foreign === 'leave' ? (
                <button type="button" className="link-act" onClick={() => setForeign(workspace, [row], 'take')}>
                  {fixButton(finding)}
                </button>
              ) : null
            }
          />
        )}
        <BroughtMarkup row={row} tree={brought} foreign={report.foreign} source={source} />
      </Rail>
    </>
  );
}
