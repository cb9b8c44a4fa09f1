/** The port that a setting names; `otherwise` where it names none, undefined where it names what is no port. */
export function portFrom(text: string | undefined, otherwise: number): number | undefined {
  if (text === undefined || text.trim() === '') return otherwise;
  const port = Number(text);
  return Number.isInteger(port) && port >= 1 && port <= 65_535 ? port : undefined;
}

/** Why the server does not start, in one sentence with what to do. */
export function whyNotStarted(error: unknown, about: { readonly port: number; readonly folder: string; readonly locked: number | undefined }): string {
  const { code, message } = error as { code?: string; message?: string };
  const { port, folder, locked } = about;
  if (locked !== undefined)
    return `Another Jolly Beacon (process ${locked}) is at work on ${folder}: stop it first, or give this one a folder of its own with STAND_INS=…`;
  if (code === 'EADDRINUSE') return `Port ${port} is taken: stop what runs there, or choose another with PORT=4400 npm start`;
  if (code === 'EACCES' && /listen/.test(message ?? '')) return `Port ${port} may not be used by you: choose one above 1023, such as PORT=4400 npm start`;
  if (code === 'EACCES' || code === 'EPERM' || code === 'EROFS')
    return `The folder ${folder} cannot be written: make it writable, or name another with STAND_INS=…`;
  if (code === 'ENOSPC') return `There is no room left on the disk of ${folder}: free some, and start again.`;
  if (code === 'ENOTDIR' || code === 'EISDIR') return `${folder} is not a folder that can be used: name another with STAND_INS=…`;
  return `Not started: ${message ?? String(error)}`;
}
