import { DoorClosed } from 'lucide-react';
import { Link } from 'react-router';
import { switchStory } from '../../core/site/index.ts';
import { fullDate } from '../../core/wording/index.ts';
import { useRoute } from '../components/index.ts';
import { useTables } from '../workspace/index.ts';

/** On every screen, while engines are kept from the whole site: that it is so, since when, by what, and the way to change it. */
export function ShutStrip() {
  const document = useTables('siteSwitch', 'releases', 'visitors');
  const { linkTo } = useRoute();
  const { here, live, since, shutBy } = switchStory(document);
  const audience = document.tables.visitors['']?.audience ?? 'public';
  const shut = here !== 'open' || live === 'shut';
  if (!shut && audience === 'public') return <div className="strip" hidden />;
  const by =
    live === 'shut' && shutBy
      ? `by release ${shutBy.release}${shutBy.at === undefined ? '' : ` of ${fullDate(shutBy.at)}`}`
      : 'in the working copy, not released yet';
  const words =
    here === 'open' && live === 'shut'
      ? `Out there the site is still closed to engines, ${by}. The next release opens it.`
      : here === 'planned'
        ? `The site is closed to engines, ${by}. The next release opens it.`
        : shut
          ? `The site is closed to engines since ${since === undefined ? 'some time' : fullDate(since)}, ${by}.`
          : audience === 'draft'
            ? 'The host shows this site to nobody: it is a draft.'
            : 'The host asks visitors for a password, so engines list nothing.';
  return (
    <div className={`strip${here === 'shut' || audience !== 'public' ? ' shut' : ''}`} role="status" data-testid="shut-strip">
      <DoorClosed size={15} aria-hidden />
      <span className="min-w-0">{words}</span>
      <Link to={linkTo(here === 'open' && shut ? 'release' : 'doors').replace(/\/doors(?=$|\?)/, '/doors/site')} className="strip-link">
        {here === 'open' && shut ? 'To the release' : shut ? 'The switch' : 'Who can visit'}
      </Link>
    </div>
  );
}
