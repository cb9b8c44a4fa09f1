import { useEffect, useRef, useState } from 'react';
import { isEnough, type FindingCode } from '../../core/checks/index.ts';
import { aboutCheck, counted } from '../../core/wording/index.ts';
import { useRoute } from '../components/index.ts';
import { useDebounced } from '../ui/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { usePlaceWords } from './PlaceTitle.tsx';

/** Milliseconds without a change after which what was found and fixed is told. */
const QUIET = 1_200;

/** Says where one is whenever the place changes, and what is to be fixed there; says nothing of what is typed. */
export function Announcer() {
  const { page, place } = usePlaceWords();
  const id = useRoute().page;
  const open = useWorkspace((state) => (page === undefined || id === undefined ? 0 : (state.byId.get(id)?.findings.length ?? 0)));
  const enough = useWorkspace((state) => (id === undefined ? false : isEnough(state.byId.get(id)?.findings ?? [])));
  const [said, setSaid] = useState('');
  const codes = useDebounced(
    useWorkspace((state) => (page === undefined || id === undefined ? '' : (state.byId.get(id)?.findings ?? []).map((finding) => finding.code).join(' '))),
    QUIET,
  );
  // What was found or is fixed is told once the hands rest, and only of the page that is still the one in view.
  const before = useRef({ id, codes });
  useEffect(() => {
    const last = before.current;
    before.current = { id, codes };
    if (last.id !== id || last.codes === codes) return;
    const [was, now] = [new Set(last.codes.split(' ').filter(Boolean)), new Set(codes.split(' ').filter(Boolean))] as [Set<FindingCode>, Set<FindingCode>];
    const fixed = [...was].filter((code) => !now.has(code)).map((code) => aboutCheck(code).name);
    const found = [...now].filter((code) => !was.has(code)).map((code) => aboutCheck(code).name);
    setSaid([fixed.length > 0 ? `Fixed: ${fixed.join(', ')}.` : '', found.length > 0 ? `Found: ${found.join(', ')}.` : ''].filter(Boolean).join(' '));
  }, [id, codes]);
  useEffect(() => {
    const what =
      page === undefined
        ? place
        : `${page}: ${open === 0 ? 'nothing to fix' : enough ? 'good enough' : counted(open, 'thing to fix', 'things to fix')}. ${place}`;
    // A moment later: a screen that is drawn at the same time would drown it.
    const timer = setTimeout(() => setSaid(what), 150);
    return () => clearTimeout(timer);
    // Only a new place is told; what changes there is told by what changed it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [page, place]);
  return (
    <p className="sr-only" role="status" data-testid="announcer">
      {said}
    </p>
  );
}
