import { useWatching } from './engines.tsx';
import { SearchBox } from './SearchBox.tsx';
import { WatchPage } from './WatchPage.tsx';
import { wording } from './wording.ts';

/** A search with the engine. */
export function SearchView() {
  const { engine, host, site } = useWatching();
  return (
    <WatchPage title={wording.search(engine.name)} lead={wording.searchLead}>
      <SearchBox host={host} engine={engine} key={`${host} ${engine.id}`} refreshed={site?.days[0]?.at} />
    </WatchPage>
  );
}
