/** Long work under way: what, how far, and a way to stop it. */
export function Busy({ what, done, of, onCancel }: { readonly what: string; readonly done: number; readonly of: number; readonly onCancel?: () => void }) {
  return (
    <div className="panel flex items-center gap-4 px-4 py-3" role="status">
      <div className="min-w-0 flex-1">
        <div className="flex justify-between gap-3 text-sm">
          <span>{what}</span>
          {of > 1 && (
            <span className="soft tabular-nums">
              {done.toLocaleString('en')} of {of.toLocaleString('en')}
            </span>
          )}
        </div>
        <progress className="progress progress-accent mt-1.5 w-full" {...(of > 1 ? { value: done, max: of } : {})} aria-label={what} />
      </div>
      {onCancel && (
        <button type="button" className="btn btn-sm btn-outline-ink" onClick={onCancel}>
          Stop
        </button>
      )}
    </div>
  );
}
