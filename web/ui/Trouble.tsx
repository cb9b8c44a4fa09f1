/** Whether a part of the program could not be fetched: the server is away, or has a newer program that knows no such part. */
export function couldNotLoad(error: Error): boolean {
  return /dynamically imported module|module script failed|preload CSS|Loading chunk/i.test(error.message);
}

/** What happened to a part of the screen, what was kept, and what to do. Part of the shell: it must be there when nothing else can be fetched. */
export function Trouble({ error, again }: { readonly error: Error; readonly again?: (() => void) | undefined }) {
  const unloaded = couldNotLoad(error);
  return (
    <div className="mx-auto max-w-lg py-12" role="alert" data-testid="trouble">
      <h1>{unloaded ? 'This part could not be loaded' : 'Something went wrong here'}</h1>
      <p className="mt-2">
        {unloaded
          ? 'Either the program’s server is not running, or the program was updated after this tab was opened. Everything you wrote is kept, and what is loaded already goes on working.'
          : 'This part of the program stumbled. Everything you wrote is kept, and all other parts go on working.'}
      </p>
      {!unloaded && <p className="soft mono mt-2 break-words">{error.message}</p>}
      <p className="mt-4 flex flex-wrap gap-2.5">
        {again && (
          <button type="button" className="btn btn-primary" onClick={again}>
            Try again
          </button>
        )}
        <button type="button" className="btn btn-outline-ink" onClick={() => window.location.reload()}>
          Reload the program
        </button>
      </p>
    </div>
  );
}
