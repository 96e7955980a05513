import type { HouseRules } from '@/core/shared/houseRules';

/** What it costs to sell one unit at a price, in whole cents: the fee of the marketplace, packing and post. */
export const sellingCosts = (priceCents: number, { selling }: Pick<HouseRules, 'selling'>): number =>
  Math.round(priceCents * selling.feeShare) + selling.perUnitCents;
