import { createContext, useContext, useLayoutEffect, useMemo, useRef, type ReactNode } from 'react';
import { useNavigate, type NavigateFunction } from 'react-router';

const Context = createContext<NavigateFunction | undefined>(undefined);

/** Hands down a way to go to places that stays the same wherever we are: who only goes there is not drawn anew with each place. */
export function QuietNavigation({ children }: { readonly children: ReactNode }) {
  const navigate = useNavigate();
  const latest = useRef(navigate);
  useLayoutEffect(() => {
    latest.current = navigate;
  });
  const quiet = useMemo(() => ((...args: Parameters<NavigateFunction>) => latest.current(...args)) as NavigateFunction, []);
  return <Context value={quiet}>{children}</Context>;
}

/** Goes to places; the same function wherever we are. */
export function useQuietNavigate(): NavigateFunction {
  const navigate = useContext(Context);
  if (!navigate) throw new Error('no way to places above this component');
  return navigate;
}
