import { useEffect } from 'react';

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), textarea:not(:disabled), select:not(:disabled), summary, [tabindex]:not([tabindex="-1"])';

const DIALOG = '[role="dialog"]';

interface Standing {
  readonly element: HTMLElement;
  readonly inDialog: boolean;
  /** The elements around it, nearest first, each with the place at which the way to it goes on. */
  readonly around: readonly { readonly parent: Element; readonly at: number }[];
}

/** Where something stands, so that it can be told what stands there after it is gone. */
function standingOf(element: HTMLElement): Standing {
  const around: { parent: Element; at: number }[] = [];
  for (let child: Element = element, parent = child.parentElement; parent && parent !== document.body; child = parent, parent = child.parentElement)
    around.push({ parent, at: [...parent.children].indexOf(child) });
  return { element, inDialog: element.closest(DIALOG) !== null, around };
}

const usable = (element: HTMLElement): boolean => element.isConnected && !element.matches(':disabled') && element.getClientRects().length > 0;
const firstIn = (element: Element): HTMLElement | undefined =>
  [...(element.matches(FOCUSABLE) ? [element] : []), ...element.querySelectorAll(FOCUSABLE)].find(
    (one): one is HTMLElement => one instanceof HTMLElement && usable(one),
  );

/** What takes the focus over from something that is gone: what has come into its place, else what is before it, else the sheet. */
function heirOf({ around }: Standing): HTMLElement | null {
  for (const { parent, at } of around) {
    if (!parent.isConnected) continue;
    for (let place = Math.min(at, parent.children.length - 1); place >= 0; place--) {
      const heir = firstIn(parent.children[place] as Element);
      if (heir) return heir;
    }
    if (parent.id === 'sheet') break;
  }
  return document.getElementById('sheet') ?? document.querySelector('main');
}

/** Keeps the focus: when what has it is taken away or can no longer be used, the nearest thing takes it over, so that the next key goes on from there. */
export function FocusKeeper() {
  useEffect(() => {
    let last: Standing | undefined;
    /** What had the focus when a dialog took it: it gets the focus back when the dialog is gone. */
    let behind: Standing | undefined;
    const noticed = (event: FocusEvent): void => {
      if (!(event.target instanceof HTMLElement) || event.target === document.body) return;
      const now = standingOf(event.target);
      if (!now.inDialog) behind = undefined;
      else if (last && !last.inDialog) behind = last;
      last = now;
    };
    const pressed = (): void => {
      // A press on nothing is meant: it lets the focus go.
      requestAnimationFrame(() => {
        if (document.activeElement === document.body && last && usable(last.element)) last = undefined;
      });
    };
    let asked = false;
    const look = (): void => {
      asked = false;
      if (!last || usable(last.element) || (document.activeElement !== document.body && document.activeElement !== last.element)) return;
      // A dialog that is closing gives the focus back by itself.
      if (document.querySelector(DIALOG)) return void setTimeout(look, 60);
      const lost = last.inDialog ? (behind ?? last) : last;
      const heir = usable(lost.element) ? lost.element : heirOf(lost);
      last = behind = undefined;
      heir?.focus({ preventScroll: heir.id === 'sheet' });
    };
    const observer = new MutationObserver(() => {
      if (asked || !last || (document.activeElement !== document.body && document.activeElement !== last.element)) return;
      asked = true;
      // Twice: a new screen is drawn first, and may put the focus where it wants it.
      requestAnimationFrame(() => requestAnimationFrame(look));
    });
    document.addEventListener('focusin', noticed);
    document.addEventListener('pointerdown', pressed);
    observer.observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled', 'hidden'] });
    return () => {
      document.removeEventListener('focusin', noticed);
      document.removeEventListener('pointerdown', pressed);
      observer.disconnect();
    };
  }, []);
  return null;
}
