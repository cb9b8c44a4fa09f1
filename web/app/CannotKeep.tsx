/** The browser lets nothing be kept: why that may be, and what to do. */
export function CannotKeep({ error }: { readonly error: Error }) {
  const newer = error.name === 'VersionError';
  return (
    <main className="mx-auto max-w-xl p-10" role="alert">
      <h1>{newer ? 'A newer version of the program was here' : 'This browser lets nothing be kept'}</h1>
      <p className="mt-3">
        {newer
          ? 'What this browser keeps of your sites was last written by a newer version of Jolly Beacon. This version leaves it as it is. Start the newer one again, and everything is there.'
          : 'Jolly Beacon keeps your sites in this browser and needs its storage. These are the usual reasons:'}
      </p>
      {!newer && (
        <ul className="mt-2 list-disc pl-6">
          <li>a private window, or a setting that blocks what sites store: open an ordinary window, or allow it for this address;</li>
          <li>a full disk: free some room;</li>
          <li>another tab with an older version of the program: close it.</li>
        </ul>
      )}
      <p className="soft mono mt-3 break-words">{error.message}</p>
      <p className="mt-4">
        <button type="button" className="btn btn-primary" onClick={() => window.location.reload()}>
          Try again
        </button>
      </p>
    </main>
  );
}
