/** Which addresses a rule catches, in words. */
export const MATCHES = { below: 'everything below', contains: 'addresses that contain', ends: 'addresses that end in' } as const;
