import { TestBench } from '../../../tests/support/bench';
import { handset, laptop, phone } from '../../../tests/support/models';
import { gradeForSale, openProofs } from './proving';
import { fitsSlot, slotNeeds } from './slots';

const unit = { configuration: 'standard', tests: {}, marks: [], disposition: 'build', fitted: {}, proof: {} } as const;
const wanted = (given: object, model = phone) =>
  slotNeeds(model, { ...unit, ...given })
    .filter(({ isNeeded }) => isNeeded)
    .map(({ part, because }) => `${part.id}: ${because}`);

describe('slotNeeds', () => {
  test.each([
    [{}, []],
    [{ tests: { picture: 'fault' } }, ['display: picture failed']],
    [{ tests: { charges: 'fault' } }, ['battery: charges failed', 'port-board: charges failed']],
    [{ tests: { starts: 'not-tested', sound: 'sound' } }, []],
    [{ marks: [{ kind: 'crack', face: 'front', field: 5 }] }, ['display: crack']],
    [{ marks: [{ kind: 'swelling', face: 'back', field: 5 }] }, ['battery: swelling']],
    [{ tests: { 'account-lock': 'fault' } }, []],
  ])('%j asks for %j', (given, parts) => {
    expect(wanted(given)).toEqual(parts);
  });

  test('a dent lowers the look of the housing and asks for nothing', () => {
    const marks = [{ kind: 'dent', face: 'back', field: 1 }] as const;
    expect(wanted({ marks })).toEqual([]);
    expect(slotNeeds(phone, { ...unit, marks }).find(({ part }) => part.id === 'back-cover')?.ownGrade).toBe('C');
  });

  test('a configuration without a part has no slot for it', () => {
    const slots = (configuration: string) => slotNeeds(laptop, { ...unit, configuration }).map(({ part }) => part.id);
    expect(slots('drive')).toContain('drive');
    expect(slots('no-drive')).not.toContain('drive');
  });
});

describe('fitsSlot', () => {
  test('the same class, graded, and no scrap', () => {
    const part = { interchange: 'lantern-speaker', grade: 'C' } as const;
    expect(fitsSlot(phone, 'speaker', part)).toBe(true);
    expect(fitsSlot(phone, 'display', part)).toBe(false);
    expect(fitsSlot(phone, 'speaker', { ...part, grade: null })).toBe(false);
    expect(fitsSlot(phone, 'speaker', { ...part, grade: 'X' })).toBe(false);
    expect(() => fitsSlot(phone, 'wheel', part)).toThrow(RangeError);
  });
});

describe('proving', () => {
  test('every test must pass, unless it is sold as it is', () => {
    expect(openProofs(handset, unit)).toEqual(handset.tests);
    const proof = Object.fromEntries(handset.tests.map((test) => [test, 'sound']));
    expect(openProofs(handset, { ...unit, proof })).toEqual([]);
    expect(openProofs(handset, { ...unit, proof: { ...proof, keys: 'fault' } })).toEqual(['keys']);
    expect(openProofs(handset, { ...unit, disposition: 'as-is' })).toEqual([]);
  });

  test('the sale grade is the worst of the look and the cosmetic parts, and says which', () => {
    const fitted = { display: 'p1', 'back-cover': 'p2' };
    const parts = (display: 'A' | 'C', back: 'A' | 'D') => [
      { id: 'p1', grade: display },
      { id: 'p2', grade: back },
    ];
    expect(gradeForSale(phone, { ...unit, fitted }, parts('A', 'A'), 'A')).toEqual({
      saleGrade: 'A',
      limiting: 'the look',
    });
    expect(gradeForSale(phone, { ...unit, fitted }, parts('C', 'A'), 'B')).toEqual({
      saleGrade: 'C',
      limiting: 'display',
    });
    expect(gradeForSale(phone, { ...unit, fitted }, parts('C', 'D'), 'A')).toEqual({
      saleGrade: 'D',
      limiting: 'back cover',
    });
    expect(gradeForSale(phone, unit, [], 'A')).toEqual({ saleGrade: 'B', limiting: 'back cover' });
    expect(gradeForSale(phone, { ...unit, disposition: 'as-is' }, [], 'A')).toEqual({
      saleGrade: 'D',
      limiting: 'sold as it is',
    });
  });

  test('what the eye would call scrap is sold at D at most', () => {
    const tests = { picture: 'fault' } as const;
    expect(gradeForSale(phone, { ...unit, tests }, [], 'A').saleGrade).toBe('D');
  });

  test('a deep dent lowers a housing further than a shallow one, and the worst mark counts', () => {
    const bench = new TestBench();
    bench.identified(phone);
    const dent = { mark: { kind: 'dent', face: 'back', field: 5 } } as const;
    const housing = () => slotNeeds(phone, bench.unit()).find(({ part }) => part.category === 'housing')?.ownGrade;
    bench.act('mark-placed', 'u', dent);
    expect([housing(), bench.unit().marks]).toEqual(['C', [{ kind: 'dent', face: 'back', field: 5, depthMm: 1 }]]);
    bench.act('mark-placed', 'u', dent);
    bench.act('mark-placed', 'u', dent);
    expect([housing(), bench.unit().marks[0]?.depthMm, bench.unit().marks.length]).toEqual(['D', 3, 1]);
    bench.act('mark-placed', 'u', { mark: { kind: 'dent', face: 'back', field: 1 } });
    expect(housing()).toBe('D');
  });
});
