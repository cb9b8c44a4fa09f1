import { createContext, useContext, type ReactNode } from 'react';
import { createPortal } from 'react-dom';

/** Where screens put what stands at their right. */
export const RailContext = createContext<HTMLElement | null>(null);

/** What stands at the right of a screen: how it looks to others, and what is left here. */
export function Rail({ children }: { readonly children: ReactNode }) {
  const host = useContext(RailContext);
  return host ? createPortal(children, host) : null;
}
