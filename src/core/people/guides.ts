/** What the application leads somebody through, until they put it away. */
export const guides = ['first-hour'] as const;
export type Guide = (typeof guides)[number];
