import { startingHouseRules, type HouseRules } from '@/core/shared/houseRules';
import { readHouseRules, writeHouseRules } from './houseRulesDocument';

const changed = (change: object): string =>
  JSON.stringify({ ...(JSON.parse(writeHouseRules(startingHouseRules)) as object), ...change });

test('what is written is read again, without its version', () => {
  const { version: _, ...rules } = startingHouseRules;
  expect(readHouseRules(writeHouseRules(startingHouseRules))).toEqual({ ok: true, value: rules });
});

test.each<[string, string, string]>([
  ['{', 'document', 'not-json'],
  ['[]', 'document', 'type'],
  [changed({ labourCentsPerMinute: 5.5 }), 'labourCentsPerMinute', 'type'],
  [changed({ asIsShare: 1.2 }), 'asIsShare', 'maximum'],
  [changed({ screwsIn: 'pocket' }), 'screwsIn', 'enum'],
  [changed({ extra: 1 }), 'extra', 'additionalProperties'],
  [changed({ gradeMix: { A: 0.5, B: 0.5, C: 0.5, D: 0 } }), 'gradeMix', 'sum'],
  [changed({ saleGradeShift: { better: 0.6, worse: 0.6 } }), 'saleGradeShift', 'sum'],
  [changed({ shop: { ...startingHouseRules.shop, timeZone: 'Saltreach' } }), 'shop', 'unknown-code'],
  [changed({ shop: { ...startingHouseRules.shop, currency: 'euro' } }), 'shop.currency', 'pattern'],
])('a wrong document names its place (%#)', (text, place, fault) => {
  expect(readHouseRules(text)).toMatchObject({ refusal: { reason: 'rules-invalid', values: { place, fault } } });
});

test('every rule is in the schema: nothing is lost on the way', () => {
  const rules: HouseRules = { ...startingHouseRules, handOverMinutes: null, trayCups: 12, version: 7 };
  expect(readHouseRules(writeHouseRules(rules))).toMatchObject({
    ok: true,
    value: { handOverMinutes: null, trayCups: 12 },
  });
});
