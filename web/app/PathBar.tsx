import { Check, ChevronsUpDown } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { Link, useLocation } from 'react-router';
import { siteHost } from '../../core/site/index.ts';
import { counted, numberText } from '../../core/wording/index.ts';
import { STOPS, useRoute } from '../components/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { useStopCounts } from './stop-counts.ts';

/** The path across the top: the work in its order, with what is open at each stop. */
export function PathBar() {
  const { linkTo } = useRoute();
  const { pathname } = useLocation();
  const here = pathname.split('/')[3] ?? '';
  const counts = useStopCounts();
  const name = useWorkspace((state) => state.site?.name ?? '');
  const host = useWorkspace((state) => siteHost(state.document));
  const path = useRef<HTMLElement>(null);
  // Where not all stops have room, the one that is open is in view.
  useEffect(() => {
    const [bar, open] = [path.current, path.current?.querySelector<HTMLElement>('[aria-current="page"]')];
    if (bar && open) bar.scrollLeft = open.offsetLeft - bar.offsetLeft - (bar.clientWidth - open.offsetWidth) / 2;
  }, [here]);
  return (
    <header className="path">
      <div className="path-site relative w-62 flex-none !p-0 max-md:w-full">
        <Link to={linkTo('')} aria-current={here === '' ? 'page' : undefined} className="h-full !border-t-3 pr-9" aria-label={`Start: ${name}`}>
          <span className="flex min-w-0 items-center gap-2.5">
            <img src="/beacon.svg" alt="" width={30} height={30} className="flex-none" />
            <span className="min-w-0">
              <span className="display block truncate text-lead font-semibold">{name}</span>
              <small className="block truncate">{host}</small>
            </span>
          </span>
        </Link>
        <Link
          to="/sites"
          aria-label="Your sites"
          title="Your sites"
          className="!absolute top-1/2 right-1 !grid size-9 -translate-y-1/2 place-items-center rounded-lg !border-0 !p-0 max-md:size-11"
        >
          <ChevronsUpDown size={15} color={here === '' ? 'var(--soft)' : 'var(--bar-soft)'} aria-hidden />
        </Link>
      </div>
      <nav ref={path} className="path-stops flex min-w-0 flex-1 overflow-x-auto [scrollbar-width:none]" aria-label="The path">
        {STOPS.map(({ id, name: label, trade }) => {
          const count = counts[id];
          return (
            <Link key={id} to={linkTo(id)} aria-current={here === id ? 'page' : undefined}>
              <span className="stop-name display flex items-center gap-1.75 text-lead font-semibold">
                {label}
                {count !== undefined &&
                  (count > 0 ? (
                    <span
                      className="count min-w-4.5 rounded-full bg-accent px-[5.5px] text-center font-sans text-tiny/[18px] font-semibold text-accent-content"
                      aria-label={counted(count, 'thing open', 'things open')}
                    >
                      {numberText(count)}
                    </span>
                  ) : (
                    <span className="grid size-4.25 place-items-center rounded-full bg-green-soft text-green" role="img" aria-label="nothing open">
                      <Check size={12} strokeWidth={3} aria-hidden />
                    </span>
                  ))}
              </span>
              <small>{trade}</small>
            </Link>
          );
        })}
      </nav>
    </header>
  );
}
