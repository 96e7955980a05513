import fc from 'fast-check';
import { differenceKinds } from './parcelDifferences';
import { supplierRecord, type ParcelRecord } from './supplierRecord';

const parcel = (over: Partial<ParcelRecord>): ParcelRecord => ({
  isCounted: true,
  promised: 10,
  differences: [],
  ...over,
});

describe('what a supplier’s lists are worth', () => {
  test('nothing is known of one whose parcels are still being unpacked', () => {
    const open = parcel({ isCounted: false, differences: [{ kind: 'missing', lineNo: 1, cents: 500 }] });
    expect(supplierRecord([open])).toMatchObject({
      counted: 0,
      promised: 0,
      asPromised: 0,
      byKind: {},
      cents: 0,
    });
  });

  test('a line that is wrong in two ways is broken once, and another serial breaks nothing', () => {
    const record = supplierRecord([
      parcel({
        differences: [
          { kind: 'other-model', lineNo: 3, cents: 0 },
          { kind: 'locked', lineNo: 3, cents: 700 },
          { kind: 'other-serial', lineNo: 4, cents: 0 },
          { kind: 'not-on-list', lineNo: null, cents: 0 },
        ],
      }),
      parcel({ differences: [{ kind: 'missing', lineNo: 3, cents: 500 }] }),
    ]);
    expect(record).toMatchObject({ counted: 2, promised: 20, asPromised: 18, cents: 1200 });
    expect(record.byKind).toEqual({ 'other-model': 1, locked: 1, 'other-serial': 1, 'not-on-list': 1, missing: 1 });
  });

  test('never more lines broken than promised, and never fewer than none', () => {
    const difference = fc.record({
      kind: fc.constantFrom(...differenceKinds),
      lineNo: fc.option(fc.integer({ min: 1, max: 5 }), { nil: null }),
      cents: fc.nat(1000),
    });
    const parcels = fc.array(
      fc.record({ isCounted: fc.boolean(), promised: fc.constant(5), differences: fc.array(difference) }),
    );
    fc.assert(
      fc.property(parcels, (given) => {
        const { promised, asPromised, byKind } = supplierRecord(given);
        expect(asPromised).toBeGreaterThanOrEqual(0);
        expect(asPromised).toBeLessThanOrEqual(promised);
        const said = Object.values(byKind).reduce((sum, count) => sum + count, 0);
        expect(said).toBe(given.filter(({ isCounted }) => isCounted).flatMap(({ differences }) => differences).length);
      }),
    );
  });
});
