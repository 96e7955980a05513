'use client';
import { createContext, useContext, type ReactNode } from 'react';
import type { HouseRules } from '@/core/shared/houseRules';
import { setShopWriting } from '@/words/shopWriting';

const RulesContext = createContext<HouseRules | null>(null);

/** The house rules of today for every screen below, and how the shop writes. */
export function RulesProvider({ rules, children }: { readonly rules: HouseRules; readonly children: ReactNode }) {
  // Before anything below is drawn: setting the same again does nothing.
  setShopWriting(rules.shop);
  return <RulesContext.Provider value={rules}>{children}</RulesContext.Provider>;
}

export function useHouseRules(): HouseRules {
  const rules = useContext(RulesContext);
  if (!rules) throw new Error('useHouseRules: no RulesProvider above');
  return rules;
}
