/** Names that are never in the public DNS: this machine's own (RFC 6761, 6.3), and those of private networks (RFC 6762, RFC 8375, and `internal`, kept for such use). */
const LOCAL = /(?:^|\.)(?:localhost|local|internal|home\.arpa)\.?$/i;

/** Whether a name belongs to this machine or to a private network. Nobody is asked for its address. */
export const isLocalName = (host: string): boolean => LOCAL.test(host);

/** Why a name server's answer is none: there is no such name, none of this sort at it, or nobody answered at all. */
export function dnsFailure(error: unknown): 'no-such-name' | 'none' | 'no-answer' {
  const { code } = error as { code?: string };
  return code === 'ENOTFOUND' ? 'no-such-name' : code === 'ENODATA' ? 'none' : 'no-answer';
}
