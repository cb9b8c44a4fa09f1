import { Check, Circle } from 'lucide-react';
import { SITEMAP_FILE } from '../../core/sitemap/index.ts';
import { all, claimId, claimsOf, set } from '../../core/site/index.ts';
import { counted, shortDate } from '../../core/wording/index.ts';
import { PageLink } from '../components/index.ts';
import { useAsync } from '../ui/index.ts';
import { release, useReport, useTables, useWorkspaceApi } from '../workspace/index.ts';
import { useWatching } from './engines.tsx';
import { wording } from './wording.ts';

interface Step {
  readonly name: string;
  readonly done: boolean;
  readonly note?: string | undefined;
}

const PROVED = 'Ownership proved';
const HANDED_IN = 'Map handed in';

/** Days after which a launch is given up that nobody comes to. */
const LONGEST = 21;

/** The way from files to the first click, with what of it is done; and the whole of what is left, played. */
export function Launch() {
  const workspace = useWorkspaceApi();
  const { host, origin, engine, site, now, under, during, move } = useWatching();
  const document = useTables('claims', 'releases', 'sitemap');
  const waiting = useReport((one) => one.tools.analysis.releaseItems());
  const { value: hosted } = useAsync(
    () => workspace.tools.outside.hosted(host).then((found) => ({ found })),
    `${host} ${now ?? ''} ${Object.keys(document.tables.releases).length}`,
  );
  const claim = claimsOf(document).find(({ id, engine: name }) => id === engine.id || name.trim().toLowerCase() === engine.name.toLowerCase());
  const log = site?.log ?? [];
  const clicked = log.find(({ code }) => code === 'first-click');
  const listed = site?.records.filter(({ outcome }) => outcome === 'listed').length ?? 0;
  const first = site?.days.at(-1);
  const handed = site?.maps.some(({ named }) => named !== true) ?? false;
  // A map that is not there cannot be handed in, and nobody waits for it.
  const hasMap = useReport((one) => one.tools.analysis.hasMap()) ?? false;
  const proof: readonly Step[] = [
    { name: PROVED, done: site?.verifiedAt !== undefined, note: site?.verifiedAt && shortDate(site.verifiedAt) },
    ...(hasMap || handed ? [{ name: HANDED_IN, done: handed }] : []),
  ];
  const steps: readonly Step[] = [
    { name: 'Released', done: hosted?.found !== undefined, note: hosted?.found && `release ${hosted.found.number}, ${shortDate(hosted.found.at)}` },
    ...(engine.needsProof ? proof : []),
    { name: 'First visits', done: first !== undefined, note: first && shortDate(first.at) },
    { name: 'Listed', done: listed > 0, note: listed > 0 ? counted(listed, 'page') : undefined },
    { name: 'First click', done: clicked !== undefined, note: clicked && shortDate(clicked.at) },
  ];
  if (site === undefined || steps.every(({ done }) => done)) return null;

  const play = async (): Promise<void> => {
    const { outside } = workspace.tools;
    const went = await during('Getting it out', async () => {
      if (engine.needsProof && claim === undefined) {
        const { name, content } = await outside.proofTag(host, engine.id);
        const id = claimId(engine.name, 'tag', name, { [engine.name.toLowerCase()]: engine.id });
        workspace.change(
          all([
            set('claims', id, 'name', name),
            set('claims', id, 'content', content),
            set('claims', id, 'kind', 'tag'),
            set('claims', id, 'at', workspace.tools.now().toISOString()),
          ]),
          { label: `${engine.name}’s proof was placed` },
        );
        await workspace.whenIdle();
      }
      const open = await workspace.tools.analysis.releaseItems();
      if (hosted?.found === undefined || open.length > 0) await release(workspace, 'host', {}, () => undefined);
      if (!engine.needsProof) return;
      await outside.verify(host, origin, claim?.kind === 'file' ? 'file' : claim?.kind === 'txt' ? 'txt' : 'tag', engine.id);
      const proven = (await outside.engineSite(host, engine.id)).verifiedAt !== undefined;
      if (!proven) throw new Error(`${engine.name} does not find its proof. The stop Proof says why.`);
      if (!handed && (await workspace.tools.analysis.hasMap())) await outside.handIn(host, `${origin}/${SITEMAP_FILE}`, engine.id);
    });
    if (went) await move(LONGEST, (told) => told?.log.some(({ code }) => code === 'first-click') === true);
  };
  const handIn = (): Promise<boolean> => during('Handing in', () => workspace.tools.outside.handIn(host, `${origin}/${SITEMAP_FILE}`, engine.id));
  const left = waiting?.length ?? 0;
  return (
    <section className="panel mt-4 px-4 py-3" aria-labelledby="launch">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 id="launch">From files to the first click</h2>
        <button type="button" className="btn btn-primary" disabled={under !== undefined || now === undefined} onClick={() => void play()}>
          {wording.play}
        </button>
      </div>
      <ol className="mt-2.5 flex flex-wrap gap-x-5 gap-y-2">
        {steps.map(({ name, done, note }) => (
          <li key={name} className="flex items-start gap-1.5 text-small" data-done={done}>
            {done ? <Check size={16} className="mt-0.5 text-success" aria-label="done" /> : <Circle size={14} className="soft mt-1" aria-label="not yet" />}
            <span>
              <span className={done ? '' : 'font-semibold'}>{name}</span>
              {note && <span className="soft block text-fine">{note}</span>}
              {name === PROVED && !done && (
                <span className="block">
                  <PageLink to="proof" className="link-act text-fine">
                    To the proof
                  </PageLink>
                </span>
              )}
              {name === HANDED_IN && !done && site.verifiedAt !== undefined && hasMap && (
                <span className="block">
                  <button type="button" className="link-act text-fine" disabled={under !== undefined} onClick={() => void handIn()}>
                    Hand in the sitemap
                  </button>
                </span>
              )}
            </span>
          </li>
        ))}
      </ol>
      <p className="soft mt-2 text-note">
        {wording.playWhy} {left > 0 && `${counted(left, 'thing waits', 'things wait')} for release and would go out.`}
      </p>
    </section>
  );
}
