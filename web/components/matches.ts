/** Which addresses a rule catches, in words. */
export const MATCHES = { is: 'exactly', below: 'everything below', contains: 'addresses that contain', ends: 'addresses that end in' } as const;
