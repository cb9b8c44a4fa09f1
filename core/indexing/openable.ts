import type { Gate, GateName, GateReason } from './way-in.ts';

/** A gate that is shut, and whether a press can open it; the others want hands, a host, or a release. */
export interface ShutGate {
  readonly name: GateName;
  readonly openable: boolean;
}

/** Everything that shuts a page, in the order of the gates, what a shut one hides among it. That it is not released yet is told elsewhere. */
export function shutGates(gates: readonly Gate[]): ShutGate[] {
  return gates.flatMap(({ name, behind, reason }) => (behind === 'shut' && name !== 'live' ? [{ name, openable: canOpen(reason) }] : []));
}

/** Whether what shuts a gate can be taken away here, for one page alone. */
export function canOpen(reason: GateReason): boolean {
  switch (reason.code) {
    case 'rule':
    case 'expired':
    case 'refresh':
    case 'unreached':
    case 'second-spelling':
    case 'links-unread':
      return true;
    case 'noindex':
      return reason.from !== 'header' && reason.from !== 'switch';
    case 'canonical-elsewhere':
      return reason.from !== 'header';
    default:
      return false;
  }
}
