import { startingHouseRules } from '@/core/shared/houseRules';
import { firstHour, firstHourSteps, type ShopSoFar } from './firstHour';

const empty: ShopSoFar = {
  shopName: startingHouseRules.shop.name,
  people: 1,
  models: 0,
  parcels: 0,
  units: 0,
  decided: 0,
  parts: 0,
  graded: 0,
  released: 0,
};
const done = (shop: Partial<ShopSoFar>) =>
  firstHour({ ...empty, ...shop })
    .filter(({ isDone }) => isDone)
    .map(({ step }) => step);

test('an empty shop has everything before it, in order', () => {
  expect(firstHour(empty).map(({ step }) => step)).toEqual(firstHourSteps);
  expect(done({})).toEqual([]);
});

test.each([
  [{ shopName: 'Kai & Co' }, ['name-shop']],
  [{ people: 2 }, ['add-people']],
  [{ models: 1 }, ['take-models']],
  [{ parcels: 1 }, ['make-parcel']],
  [{ parcels: 2, units: 5 }, ['make-parcel', 'tag-unit']],
  [{ decided: 1 }, ['decide-unit']],
  [{ parts: 9, graded: 3 }, ['take-apart', 'grade-part']],
  [{ released: 1 }, ['release-unit']],
] as const)('%j is %j done, and nothing else', (shop, steps) => {
  expect(done(shop)).toEqual(steps);
});

test('only what changes the shop itself is for leads', () => {
  expect(
    firstHour(empty)
      .filter(({ isForLeads }) => isForLeads)
      .map(({ step }) => step),
  ).toEqual(['name-shop', 'add-people', 'take-models']);
});
