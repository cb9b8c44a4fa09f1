export { byKind } from './by-kind.ts';
export { Findings } from './Findings.tsx';
export { lineOf } from './line-of.ts';
export { PAGE_STOPS, STOPS, useNextToMend, usePlace } from './navigation.ts';
export { PageHead } from './PageHead.tsx';
export { StateSign } from './StateSign.tsx';
export { Rail, RailContext } from './Rail.tsx';
