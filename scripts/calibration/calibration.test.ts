import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Model } from '@/core/procedure/model';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { Chance } from '@/core/shared/chance';
import { knowledgeFor } from '@/core/triage/knowledge';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import { fallbackCents, planBuild, buildCents } from '@/core/triage/valueBuild';
import { planHarvest } from '@/core/triage/valueDonor';
import { projectRoot } from '../support/home';
import { calibrationTables } from './figures';
import { carryOut } from './carryOut';
import { inventParcel, inventShop, type World } from './inventedTruth';
import { byPerfect, byProposals, liveShop } from './liveShop';
import { ShopLog } from './shopLog';
import { emptyTally, together } from './tally';

const read = (name: string) =>
  JSON.parse(readFileSync(join(projectRoot, 'data', 'models', `${name}.json`), 'utf8')) as Model;
const [lantern, warble] = [read('oddkin-lantern-5'), read('fennick-warble')];
const plain: World = { name: 'plain', alike: null, marked: 0.1, shelved: 1 };
const life = { parcels: 1, unitsEach: 6, modelsEach: 1, schoolsEvery: 1000 };

describe('calibration', () => {
  test('the same seed is the same shop, and shops add up', () => {
    const [a, b] = [liveShop(3, [warble], plain, life), liveShop(4, [warble], plain, life)];
    expect(liveShop(3, [warble], plain, life)).toEqual(a);
    const both = together(together(emptyTally, a), b);
    expect([both.shops, both.units]).toEqual([2, 12]);
    for (const [of, held] of Object.entries(both.ranges)) {
      const sum = [a, b].reduce(
        (all, { ranges }) => all + (ranges[of]?.inside ?? 0) + (ranges[of]?.below ?? 0) + (ranges[of]?.above ?? 0),
        0,
      );
      expect(held.inside + held.below + held.above).toBe(sum);
    }
    // Everybody decides the same units with the same luck: perfect knowledge is the measure of itself.
    const perfect = both.money[byPerfect];
    expect(perfect?.sum).toBeCloseTo(perfect?.perfect ?? 0, 9);
    expect(both.money[byProposals]?.shops).toBe(2);
    expect(calibrationTables(both).join('\n')).toContain('12 units');
  });

  // With every share known, what is said of a choice is the mean of what comes of it: builds that hide faults, and donors.
  test.each([
    ['build', lantern],
    ['donor', warble],
  ] as const)('what a %s is said to bring is what it brings, over many units', (choice, model) => {
    const chance = new Chance(77);
    const shop = { ...inventShop([model], { ...plain, marked: 0 }, chance) };
    const certain = (share: number) => ({ share, low: share, high: share });
    const truth = {
      ...shop,
      // Where every test is made that fails, parts are sound as often as it is said.
      works: new Map([...shop.works].map(([test, share]) => [test, choice === 'donor' ? 1 : share])),
      models: [{ model, sound: new Map(model.parts.map(({ id }) => [id, 0.8])), odds: new Map() }],
    };
    const learned = knowledgeFor(shopKnowledge(new ShopLog().ground(shop.shelf), rules), model.id);
    const known = {
      ...learned,
      unseen: certain(0.8),
      tests: Object.fromEntries([...truth.works].map(([test, share]) => [test, certain(share)])),
    };
    const off: number[] = [];
    for (const unit of inventParcel(truth, 240, chance)) {
      const harvest = planHarvest(model, unit.subject, known, rules);
      const plan = choice === 'build' ? planBuild(model, unit.subject, known, rules) : null;
      if (choice === 'build' ? !plan || unit.subject.tests.starts === 'fault' : !harvest) continue;
      const said = plan ? buildCents(plan, fallbackCents(plan, harvest), rules) : (harvest?.cents ?? 0);
      off.push(carryOut(unit, choice, known, rules).cents - said);
    }
    const mean = off.reduce((sum, own) => sum + own, 0) / off.length;
    const error = Math.sqrt(off.reduce((sum, own) => sum + (own - mean) ** 2, 0)) / off.length;
    expect(off.length).toBeGreaterThan(120);
    expect(Math.abs(mean)).toBeLessThan(4 * error);
  });
});
