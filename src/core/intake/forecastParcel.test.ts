import { handset, phone } from '../../../tests/support/models';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import type { ShopKnowledge } from '@/core/triage/knowledge';
import { knownParts, unseenYield } from '@/core/triage/knownYields';
import { nothingSeen } from '@/core/triage/seenInParcel';
import { partKey } from '@/core/yields/parcelOutcomes';
import { inManyParcels } from '../../../tests/support/manyParcels';
import { forecastParcel, type ParcelItem } from './forecastParcel';

const models = new Map([phone, handset].map((model) => [`${model.id}@${model.version}`, model]));
const key = (model: typeof phone) => `${model.id}@${model.version}`;
const shop = (sought = 0, alike = Infinity): ShopKnowledge => ({
  alike: { units: alike, parts: alike },
  looks: { made: {}, marks: {} },
  known: { shelf: {}, unseen: unseenYield, market: {}, lacking: {}, tests: {} },
  yields: sought
    ? knownParts(
        inManyParcels(
          phone.parts.map(({ id }) => ({ modelId: phone.id, partRef: id, good: Math.round(sought * 0.7), sought })),
        ),
        [],
      ).yields
    : {},
  yieldsGiven: {},
  resistances: {},
});
const promised = (model: string | null): ParcelItem => ({ model, decided: null, unit: null, sought: null });
const asDonor = (cents: number): ParcelItem => ({
  model: key(phone),
  decided: { disposition: 'donor', cents, lowCents: cents - 1000, highCents: cents + 1000 },
  unit: { revision: 'a', configuration: 'standard', variant: null, marks: [], tests: { picture: 'fault' } },
  sought: null,
});

describe('forecastParcel', () => {
  test('counts every unit once, and leaves out what nobody knows, saying so', () => {
    const items = [...Array.from({ length: 20 }, () => promised(key(phone))), promised(null), promised('lost@1')];
    const { builds, donors, cents, unknown, neverSeen } = forecastParcel(items, models, shop(), rules);
    expect(unknown).toBe(2);
    expect(neverSeen).toEqual(['Oddkin Lantern 5']);
    expect(builds.mean + donors.mean).toBeLessThanOrEqual(20);
    for (const span of [builds, donors, cents]) expect(span.low <= span.mean && span.mean <= span.high).toBe(true);
  });

  test('what was decided counts as it was weighed', () => {
    const { donors, builds, cents, parts } = forecastParcel(
      Array.from({ length: 30 }, () => asDonor(2000)),
      models,
      shop(40),
      rules,
    );
    expect([donors.mean, donors.low, builds.mean]).toEqual([30, 30, 0]);
    expect(Math.abs(cents.mean - 60_000)).toBeLessThan(0.1 * 60_000);
    expect(parts.length).toBeGreaterThan(3);
    for (const { good } of parts) expect(good.high).toBeLessThanOrEqual(30);
  });

  test('forty that were weighed at 20.00 each are forecast at 800.00, however skew their ranges', () => {
    for (const [lowCents, highCents] of [
      [1000, 3000],
      [-2000, 2500],
      [1900, 6000],
    ] as const) {
      const skew = (): ParcelItem => ({
        ...asDonor(2000),
        decided: { disposition: 'as-is', cents: 2000, lowCents, highCents },
      });
      const { cents } = forecastParcel(Array.from({ length: 40 }, skew), models, shop(), rules);
      // Four standard errors of the mean of the draws.
      const error = ((highCents - lowCents) / 2.56) * Math.sqrt(40 / 400);
      expect(Math.abs(cents.mean - 80_000)).toBeLessThan(4 * error);
    }
  });

  test('eight tests that nobody made, at 0.85 each, leave 0.272 of the units sound in all', () => {
    const eight = ['starts', 'charges', 'picture', 'touch', 'sound', 'cameras', 'radios', 'keys'] as const;
    const model = { ...phone, tests: eight };
    const certain = Object.fromEntries(eight.map((test) => [test, { share: 0.85, low: 0.85, high: 0.85 }]));
    const known = { ...shop(), known: { ...shop().known, tests: certain } };
    const only = new Map([[key(phone), model]]);
    const { builds, donors } = forecastParcel(
      Array.from({ length: 200 }, () => promised(key(phone))),
      only,
      known,
      rules,
    );
    // A build is only what is sound in all, or lacks a part that can be bought: never less than the former.
    expect(builds.mean / 200).toBeGreaterThan(0.85 ** 8 - 0.02);
    expect(builds.mean + donors.mean).toBeLessThanOrEqual(200);
  });

  test('what the sheet does not ask for is not sought', () => {
    const some = { ...asDonor(2000), sought: ['battery'] };
    const { parts } = forecastParcel(
      Array.from({ length: 10 }, () => some),
      models,
      shop(40),
      rules,
    );
    expect(parts.map(({ name }) => name)).toEqual(['battery']);
  });

  test('the less is known of the yields, the wider the range of the whole', () => {
    const items = Array.from({ length: 30 }, () => asDonor(2000));
    const width = (sought: number) => {
      const { cents } = forecastParcel(items, models, shop(sought), rules);
      return cents.high - cents.low;
    };
    expect(width(3)).toBeGreaterThan(1.3 * width(200));
  });

  test('the less parcels are alike, the wider the range, and its middle stays', () => {
    const items = Array.from({ length: 30 }, () => asDonor(2000));
    const of = (alike: number) => forecastParcel(items, models, shop(200, alike), rules).cents;
    expect(of(5).high - of(5).low).toBeGreaterThan(1.4 * (of(Infinity).high - of(Infinity).low));
    expect(Math.abs(of(5).mean - of(Infinity).mean)).toBeLessThan(0.05 * of(Infinity).mean);
    expect(of(1e9).high - of(1e9).low).toBeCloseTo(of(Infinity).high - of(Infinity).low, -4);
  });

  test('a parcel whose first donors gave nothing is expected to go on like that, as far as parcels differ', () => {
    const items = Array.from({ length: 20 }, () => asDonor(2000));
    const parts = Object.fromEntries(
      phone.parts.map(({ id }) => [partKey({ modelId: phone.id, partRef: id }), { good: 0, sought: 10 }]),
    );
    const good = (alike: number, seen = { ...nothingSeen, parts }) =>
      forecastParcel(items, models, shop(200, alike), rules, seen).parts.reduce((sum, own) => sum + own.good.mean, 0);
    const [before, alike, apart] = [good(10, nothingSeen), good(1000), good(10)];
    expect(Math.abs(alike / before - 1)).toBeLessThan(0.05);
    // Ten of the shop's trials against ten of its own: half.
    expect(apart / before).toBeGreaterThan(0.42);
    expect(apart / before).toBeLessThan(0.58);
  });

  test('a parcel whose first units do not work is expected to give fewer builds', () => {
    const items = Array.from({ length: 20 }, () => promised(key(phone)));
    const sound = Object.fromEntries(phone.tests.map((test) => [test, { good: 2, sought: 12 }]));
    const builds = (seen = { ...nothingSeen, sound }) =>
      forecastParcel(items, models, shop(200, 10), rules, seen).builds.mean;
    expect(builds()).toBeLessThan(0.7 * builds(nothingSeen));
  });

  test('a list that is too long to draw every line is foretold as one of a tenth of it, ten times', () => {
    const of = (count: number, alike: number) =>
      forecastParcel(
        Array.from({ length: count }, (_, at) =>
          at % 3 === 0
            ? promised(key(handset))
            : { ...asDonor(2000), decided: { disposition: 'as-is', cents: 2000, lowCents: 1000, highCents: 3000 } },
        ),
        models,
        shop(200, alike),
        rules,
      );
    const [whole, long] = [of(1200, 20), of(12_000, 20)];
    expect(Math.abs(long.cents.mean / whole.cents.mean / 10 - 1)).toBeLessThan(0.03);
    expect(Math.abs(long.builds.mean / whole.builds.mean / 10 - 1)).toBeLessThan(0.04);
    // What the parcel has in common grows with the list; the luck of single units with its root, and is next to nothing here.
    const width = ({ cents }: typeof whole) => cents.high - cents.low;
    expect(width(long) / 10).toBeLessThan(1.1 * width(whole));
    expect(width(long) / 10).toBeGreaterThan(0.7 * width(whole));
  });

  test('of a long list the luck of single units is counted once, not as of so few', () => {
    const lucky = (): ParcelItem => ({
      ...asDonor(0),
      decided: { disposition: 'as-is', cents: 1000, lowCents: 1000 - 1282, highCents: 1000 + 1282 },
    });
    const { cents } = forecastParcel(Array.from({ length: 9000 }, lucky), models, shop(), rules);
    // A thousand cents of scatter for each of 9,000: its root, and 1.28 of that on either side.
    const half = 1.2816 * 1000 * Math.sqrt(9000);
    expect((cents.high - cents.low) / 2 / half).toBeGreaterThan(0.7);
    expect((cents.high - cents.low) / 2 / half).toBeLessThan(1.3);
    expect(Math.abs(cents.mean / 9_000_000 - 1)).toBeLessThan(0.005);
  });

  test('an empty parcel gives nothing', () => {
    const { cents, parts, known } = forecastParcel([], models, shop(), rules);
    expect([cents.mean, cents.low, cents.high, parts, known]).toEqual([0, 0, 0, [], 0]);
  });
});
