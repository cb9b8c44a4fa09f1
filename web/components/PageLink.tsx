import type { PageId } from '../../core/source/index.ts';
import type { ReactNode } from 'react';
import type { Stop } from '../../core/checks/index.ts';
import { useLinkTo } from './navigation.ts';
import { QuietLink } from './QuietLink.tsx';

/** A way to a page, or to a stop with the page that is current: a link, so that it can be opened in another tab. */
export function PageLink({
  to,
  page,
  walking = false,
  children,
  ...rest
}: {
  readonly to: Stop | '';
  readonly page?: PageId | undefined;
  readonly walking?: boolean;
  readonly className?: string;
  readonly title?: string;
  readonly lang?: string;
  readonly dir?: 'auto';
  readonly 'aria-label'?: string;
  readonly 'aria-current'?: 'page' | undefined;
  readonly 'aria-keyshortcuts'?: string;
  readonly 'data-missing'?: string;
  readonly children: ReactNode;
}) {
  const linkTo = useLinkTo();
  return (
    <QuietLink to={linkTo(to, page)} {...(walking ? { state: { walking: true } } : {})} {...rest}>
      {children}
    </QuietLink>
  );
}
