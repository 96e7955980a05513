export const costRules = ['even', 'by-value', 'by-model'] as const;
/** How what was paid for a parcel is spread over its units. */
export type CostRule = (typeof costRules)[number];
