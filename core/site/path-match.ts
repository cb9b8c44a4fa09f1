/** How a rule's path is meant: as one address, a folder, a part of addresses, or how they end. */
export const PATH_MATCHES = ['is', 'below', 'contains', 'ends'] as const;
export type PathMatch = (typeof PATH_MATCHES)[number];
