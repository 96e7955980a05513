/** A pattern for LIKE in which what was typed means itself. */
export const contains = (typed: string): string => `%${typed.replace(/[\\%_]/g, '\\$&')}%`;
export const startsWith = (typed: string): string => `${typed.replace(/[\\%_]/g, '\\$&')}%`;
