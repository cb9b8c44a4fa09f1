import { SitePicture } from './SitePicture.tsx';

/** One picture of several to choose from, by its file's path. */
export function PictureChoice({ path, chosen, onChoose }: { readonly path: string; readonly chosen: boolean; readonly onChoose: () => void }) {
  return (
    <button
      type="button"
      className="h-15.5 w-23 cursor-pointer overflow-hidden rounded-lg border-2 border-transparent aria-pressed:border-accent"
      aria-pressed={chosen}
      aria-label={path}
      title={path}
      onClick={onChoose}
    >
      <SitePicture path={path} alt="" className="size-full object-cover" />
    </button>
  );
}
