import { readableAddress } from '../../core/source/index.ts';
import { Command } from 'cmdk';
import { ArrowDown, FolderSync, Footprints, MoonStar, Redo2, Shapes, Undo2 } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { siteText, StateSign, STOPS, useRoute, useQuietNavigate } from '../components/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { WAYS } from './screens.tsx';
import { applyTheme, shownTheme } from './theme.ts';

const ITEM = 'flex min-h-8.5 cursor-pointer items-center gap-2.5 rounded-lg px-2.5 py-1 data-[selected=true]:bg-secondary max-md:min-h-11';
const GROUP =
  '[&_[cmdk-group-heading]]:px-2.5 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:text-tiny [&_[cmdk-group-heading]]:text-faint';

/** Most pages listed at once; typing narrows them. */
const LISTED = 40;

/** Finds any page or action by a few letters. */
export function Palette({
  onClose,
  onUndo,
  onRedo,
  onNext,
}: {
  readonly onClose: () => void;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
  readonly onNext: () => void;
}) {
  const [typed, setTyped] = useState('');
  const rows = useWorkspace((state) => state.rows);
  const { go, goToPage, linkTo } = useRoute();
  const navigate = useQuietNavigate();
  const close = (run: () => void) => () => {
    onClose();
    run();
  };
  const text = typed.trim().toLowerCase();
  const fits = (words: string): boolean => text.split(/\s+/).every((word) => words.toLowerCase().includes(word));
  const pages = rows.filter((row) => fits(`${row.name} ${row.address} ${row.title}`)).slice(0, LISTED);
  const actions: { name: string; icon: ReactNode; run: () => void }[] = [
    { name: 'Start: what is left, in order', icon: <Footprints size={16} aria-hidden />, run: () => go('') },
    ...STOPS.map(({ id, name, trade }) => ({ name: `${name}: ${trade}`, icon: <Shapes size={16} aria-hidden />, run: () => void navigate(linkTo(id)) })),
    ...STOPS.flatMap(({ id: stop, name: of }) =>
      (WAYS[stop] ?? []).slice(1).map(({ id, name }) => ({
        name: `${of}: ${name.replace(/^[A-Z](?=[a-z &])/, (letter) => letter.toLowerCase())}`,
        icon: <Shapes size={16} aria-hidden />,
        run: () => void navigate(linkTo(stop).replace(`/${stop}`, `/${stop}/${id}`)),
      })),
    ),
    { name: 'Next page to fix', icon: <ArrowDown size={16} aria-hidden />, run: onNext },
    { name: 'Undo', icon: <Undo2 size={16} aria-hidden />, run: onUndo },
    { name: 'Redo', icon: <Redo2 size={16} aria-hidden />, run: onRedo },
    { name: 'Your sites: open, bring in, rename, export', icon: <Shapes size={16} aria-hidden />, run: () => void navigate('/sites') },
    {
      name: 'A new version of the site: bring its files in again',
      icon: <FolderSync size={16} aria-hidden />,
      run: () => void navigate(linkTo('').replace(/(\/s\/[^/?]+)/, '$1/new-version')),
    },
    { name: 'Switch between light and dark', icon: <MoonStar size={16} aria-hidden />, run: () => applyTheme(shownTheme() === 'paper' ? 'dusk' : 'paper') },
  ].filter((action) => fits(action.name));
  return (
    <Command.Dialog
      open
      onOpenChange={(next) => !next && onClose()}
      label="Find a page or an action"
      shouldFilter={false}
      overlayClassName="fixed inset-0 z-49 bg-[rgb(15_21_32/0.4)]"
      contentClassName="fixed top-[12vh] left-1/2 z-50 w-[min(620px,calc(100vw-24px))] -translate-x-1/2 overflow-hidden rounded-[14px] border border-line bg-base-100 text-base-content shadow-[0_20px_60px_rgb(0_0_0/0.3)]"
      loop
    >
      <Command.Input
        value={typed}
        onValueChange={setTyped}
        placeholder="Find a page or an action"
        aria-label="Find a page or an action"
        className="w-full border-b border-line bg-transparent px-4 py-3.5 text-base outline-none"
      />
      <Command.List className="max-h-[50vh] overflow-auto p-1.5">
        <Command.Empty className="soft p-4.5">Nothing by this name.</Command.Empty>
        {actions.length > 0 && (
          <Command.Group className={GROUP} heading="Actions">
            {actions.map((action) => (
              <Command.Item className={ITEM} key={action.name} value={action.name} onSelect={close(action.run)}>
                {action.icon} {action.name}
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {pages.length > 0 && (
          <Command.Group className={GROUP} heading="Pages">
            {pages.map((row) => (
              <Command.Item className={ITEM} key={row.id} value={row.id} onSelect={close(() => goToPage(row.id))}>
                <StateSign state={row.state} />
                <span className="truncate" {...siteText(row.lang)}>
                  {row.name}
                </span>
                <span className="mono soft ml-auto truncate">{readableAddress(row.address)}</span>
              </Command.Item>
            ))}
          </Command.Group>
        )}
      </Command.List>
    </Command.Dialog>
  );
}
