import { startingHouseRules, type ShopProfile } from '@/core/shared/houseRules';

/** How this shop writes: set once a page from its house rules, the same for everybody who is served by this process. */
let shop: ShopProfile = startingHouseRules.shop;
const made = new Map<string, unknown>();

export function setShopWriting(profile: ShopProfile): void {
  if (JSON.stringify(profile) === JSON.stringify(shop)) return;
  shop = profile;
  made.clear();
}

export const shopWriting = (): ShopProfile => shop;

/** A formatter of this shop, made once: they are slow to make and quick to use. */
export function writer<T>(key: string, make: (profile: ShopProfile) => T): T {
  const known = made.get(key) as T | undefined;
  if (known) return known;
  const fresh = make(shop);
  made.set(key, fresh);
  return fresh;
}
