import { Link } from 'react-router';
import type { Stop } from '../../core/checks/index.ts';
import { useRoute } from './navigation.ts';

/** One way to work at a stop. The first of a stop is the one without a name in the address. */
export interface ViewName {
  readonly id: string;
  readonly name: string;
}

/** Whether a text names one of some ways to work. */
export function isWay<V extends ViewName>(views: readonly V[], text: string): text is V['id'] {
  return views.some((view) => view.id === text);
}

/** Pixels left free beside the current way, so that one sees there are more. */
const BESIDE = 28;

/** On a narrow screen the ways scroll sideways: the current one is brought into view once the new screen is laid out, and nothing else is moved. */
const intoView = (element: HTMLElement | null): void => {
  if (!element) return;
  requestAnimationFrame(() => {
    const ways = element.parentElement;
    if (!ways) return;
    const [here, all] = [element.getBoundingClientRect(), ways.getBoundingClientRect()];
    if (here.left < all.left) ways.scrollLeft -= all.left - here.left + BESIDE;
    else if (here.right > all.right) ways.scrollLeft += here.right - all.right + BESIDE;
  });
};

/** The ways to work at a stop, side by side. */
export function Views({
  stop,
  label,
  views,
  current,
}: {
  readonly stop: Stop;
  readonly label: string;
  readonly views: readonly ViewName[];
  readonly current: string;
}) {
  const { siteId, page } = useRoute();
  const query = page === undefined ? '' : `?page=${encodeURIComponent(page)}`;
  return (
    <nav className="views" aria-label={label}>
      {views.map(({ id, name }, index) => (
        <Link
          key={id}
          className="views-way"
          ref={id === current ? intoView : undefined}
          to={`/s/${siteId}/${stop}${index === 0 ? '' : `/${id}`}${query}`}
          aria-current={id === current ? 'page' : undefined}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}

/** Until a screen is there; a page without a headline is lost to those who listen. */
export function WaitingView({ name }: { readonly name: string }) {
  return (
    <>
      <h1 className="sr-only">{name}</h1>
      <p className="soft">Loading …</p>
    </>
  );
}
