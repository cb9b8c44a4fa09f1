import type { FilePath } from '../../../core/source/index.ts';
import { ImageOff } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useWorkspaceApi } from '../../workspace/index.ts';

/** A picture of the site, from its file in this browser. Shown as a picture only: nothing in it runs. */
export function SitePicture({
  path,
  alt,
  className,
  onSize,
}: {
  readonly path: FilePath;
  readonly alt: string;
  readonly className?: string;
  readonly onSize?: (width: number, height: number) => void;
}) {
  const workspace = useWorkspaceApi();
  const [shown, setShown] = useState<{ path: FilePath; address: string | undefined }>();
  useEffect(() => {
    let current = true;
    let address: string | undefined;
    void workspace.tools.analysis.picture(path).then((blob) => {
      if (!current) return;
      address = blob && URL.createObjectURL(blob);
      setShown({ path, address });
    });
    return () => {
      current = false;
      if (address !== undefined) URL.revokeObjectURL(address);
    };
  }, [workspace, path]);
  if (shown?.path !== path) return <span className={`picture-empty ${className ?? ''}`} />;
  if (shown.address === undefined)
    return (
      <span className={`picture-empty ${className ?? ''}`}>
        <ImageOff size={18} role="img" aria-label="not in the site’s files" />
      </span>
    );
  return (
    <img
      src={shown.address}
      alt={alt}
      className={className}
      decoding="async"
      onLoad={(event) => onSize?.(event.currentTarget.naturalWidth, event.currentTarget.naturalHeight)}
    />
  );
}
