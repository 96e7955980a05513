import type { HouseRules } from '@/core/shared/houseRules';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Said } from './define';
import type { World } from './world';

/** Facts from before the log kept the version were all said by the first. */
const firstVersion = 1;

/** The house rules by which a fact was said. */
export function rulesBy(
  world: World,
  { rulesVersion = firstVersion }: Pick<Said<unknown>, 'rulesVersion'>,
): Outcome<HouseRules> {
  const rules = world.findRules(rulesVersion);
  return rules ? accept(rules) : refuse('rules-unknown', { version: rulesVersion });
}
