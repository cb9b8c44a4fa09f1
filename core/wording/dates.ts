const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** `21 Nov`, in UTC, from an ISO time: for what happened lately. */
export function shortDate(iso: string): string {
  const date = new Date(iso);
  return Number.isNaN(date.getTime()) ? iso : `${date.getUTCDate()} ${MONTHS[date.getUTCMonth()] as string}`;
}

/** `21 Nov 2026`, in UTC, from an ISO time: for what may lie years back, or ahead. */
export function fullDate(iso: string): string {
  const date = new Date(iso);
  return Number.isNaN(date.getTime()) ? iso : `${shortDate(iso)} ${date.getUTCFullYear()}`;
}
