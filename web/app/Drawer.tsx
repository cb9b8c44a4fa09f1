import { X } from 'lucide-react';
import { useEffect, useRef, useSyncExternalStore, type ReactNode, type Ref } from 'react';

/** Whether the window is as narrow as a media query says. */
export function useNarrow(query: string): boolean {
  return useSyncExternalStore(
    (heard) => {
      const list = window.matchMedia(query);
      list.addEventListener('change', heard);
      return () => list.removeEventListener('change', heard);
    },
    () => window.matchMedia(query).matches,
  );
}

/**
 * A column of the shell that is a drawer in narrow windows: there it is open or shut, keeps the focus while it is open, and gives it back. What lies behind is out of
 * reach meanwhile; the shell sees to that.
 */
export function Drawer({
  as: Column,
  className,
  label,
  drawer,
  open,
  onClose,
  host,
  children,
}: {
  readonly as: 'nav' | 'aside';
  readonly className: string;
  readonly label: string;
  /** Whether it is a drawer in this window. */
  readonly drawer: boolean;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly host?: Ref<HTMLElement>;
  readonly children?: ReactNode;
}) {
  const close = useRef<HTMLButtonElement>(null);
  const before = useRef<Element | null>(null);
  const shown = drawer && open;
  useEffect(() => {
    if (!shown) return;
    before.current = document.activeElement;
    close.current?.focus();
    return () => {
      if (before.current instanceof HTMLElement && before.current.isConnected) before.current.focus();
    };
  }, [shown]);
  return (
    <Column className={`${className}${drawer ? ' is-drawer' : ''}${shown ? ' is-open' : ''}`} aria-label={label} {...(drawer && !open ? { inert: true } : {})}>
      <div className="drawer-body" {...(shown ? { role: 'dialog', 'aria-modal': true, 'aria-label': label } : {})}>
        {shown && (
          <button ref={close} type="button" className="icon-btn drawer-close" aria-label={`Close: ${label}`} onClick={onClose}>
            <X size={18} aria-hidden />
          </button>
        )}
        {/* A column of its own that is scrolled by keys has to be reached by them. */}
        <div ref={host as Ref<HTMLDivElement>} className="column" {...(Column === 'aside' ? { tabIndex: 0, role: 'group', 'aria-label': label } : {})}>
          {children}
        </div>
      </div>
    </Column>
  );
}
