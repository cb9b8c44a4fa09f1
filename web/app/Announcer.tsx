import { useEffect, useRef, useState } from 'react';
import { isEnough, type FindingCode } from '../../core/checks/index.ts';
import { aboutCheck, counted } from '../../core/wording/index.ts';
import { useRoute } from '../components/index.ts';
import { useDebounced } from '../ui/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { usePlaceWords } from './PlaceTitle.tsx';

/** Milliseconds without a change after which what was found and fixed is told. */
const QUIET = 1_200;

/** Stands for the findings of a page that was not looked at yet. */
const UNKNOWN = '?';

/** Place, page and codes of the findings, as they stood while the hands rested. */
type Standing = readonly [place: string, page: string, codes: string];

const codesOf = (standing: Standing): Set<FindingCode> => new Set(standing[2].split(' ').filter(Boolean) as FindingCode[]);

/** Says where one is whenever the place changes, and what is to be fixed there; says nothing of what is typed. */
export function Announcer() {
  const { page, place } = usePlaceWords();
  const id = useRoute().page;
  const open = useWorkspace((state) => (page === undefined || id === undefined ? 0 : (state.byId.get(id)?.findings.length ?? 0)));
  const enough = useWorkspace((state) => (id === undefined ? false : isEnough(state.byId.get(id)?.findings ?? [])));
  const [said, setSaid] = useState('');
  const codes = useWorkspace((state) => {
    const row = page === undefined || id === undefined ? undefined : state.byId.get(id);
    return row === undefined ? UNKNOWN : row.findings.map((finding) => finding.code).join(' ');
  });
  // What was found or is fixed is told once the hands rest, and only against what was known of the same page at the same place:
  // what was there when one came is told by coming.
  const settled = useDebounced(JSON.stringify([place, id ?? '', codes]), QUIET);
  const before = useRef(settled);
  useEffect(() => {
    const [last, here] = [before.current, settled].map((each) => JSON.parse(each) as Standing) as [Standing, Standing];
    before.current = settled;
    if (last[0] !== here[0] || last[1] !== here[1] || last[2] === here[2] || last[2] === UNKNOWN || here[2] === UNKNOWN) return;
    const [was, now] = [codesOf(last), codesOf(here)];
    const fixed = [...was].filter((code) => !now.has(code)).map((code) => aboutCheck(code).name);
    const found = [...now].filter((code) => !was.has(code)).map((code) => aboutCheck(code).name);
    setSaid([fixed.length > 0 ? `Fixed: ${fixed.join(', ')}.` : '', found.length > 0 ? `Found: ${found.join(', ')}.` : ''].filter(Boolean).join(' '));
  }, [settled]);
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
