import type { AnchorHTMLAttributes, MouseEvent } from 'react';
import { useQuietNavigate } from './QuietNavigation.tsx';

/**
 * A link to an address of the app that does not ask where we are: a list of many is not drawn anew with each place. Pressed plainly it goes there within the
 * app; pressed with a key, or in the middle, it is the browser's.
 */
export function QuietLink({
  to,
  state,
  ...rest
}: { readonly to: string; readonly state?: unknown } & Omit<AnchorHTMLAttributes<HTMLAnchorElement>, 'href' | 'onClick'>) {
  const navigate = useQuietNavigate();
  const follow = (event: MouseEvent): void => {
    if (event.defaultPrevented || event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
    event.preventDefault();
    // The same place again is none to go back to.
    void navigate(to, { state, replace: to === location.pathname + location.search });
  };
  return <a href={to} onClick={follow} {...rest} />;
}
