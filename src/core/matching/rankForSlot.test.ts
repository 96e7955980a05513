import { phone } from '../../../tests/support/models';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { isOffered, rankForSlot } from './rankForSlot';

const unit = {
  revision: 'a',
  configuration: 'standard',
  tests: { picture: 'fault' },
  marks: [],
  variant: 'grey-64',
} as const;
const part = (tag: string, grade: 'A' | 'B' | 'C' | 'X' | null, interchange = 'lantern-5-display') => ({
  tag,
  grade,
  interchange,
  modelId: phone.id,
  carries: [] as string[],
});

describe('rankForSlot', () => {
  test('offers only what fits, graded and no scrap', () => {
    const parts = [part('P-1', 'B'), part('P-2', 'B', 'reed-2-display'), part('P-3', null), part('P-4', 'X')];
    expect(rankForSlot(phone, unit, 'display', parts, {}, rules).map(({ part: { tag } }) => tag)).toEqual(['P-1']);
  });

  test('what was kept for a unit is offered to it alone, and first, whatever it leaves', () => {
    const [free, kept] = [part('P-1', 'A'), { ...part('P-2', 'C'), reservedFor: 'U-00012' }];
    expect(rankForSlot(phone, unit, 'display', [free, kept], {}, rules).map(({ part: { tag } }) => tag)).toEqual([
      'P-2',
      'P-1',
    ]);
    const lies = { place: 'reserved', reservedFor: 'U-00012' } as const;
    expect([{ tag: 'U-00012' }, { tag: 'U-00013' }].map((other) => isOffered(lies, other))).toEqual([true, false]);
    expect([
      isOffered({ place: 'shelf' }, { tag: 'U-00013' }),
      isOffered({ place: 'grade' }, { tag: 'U-00013' }),
    ]).toEqual([true, false]);
  });

  test('the one that leaves the most money comes first', () => {
    const ranked = rankForSlot(
      phone,
      unit,
      'display',
      [part('P-1', 'C'), part('P-2', 'A'), part('P-3', 'B')],
      {},
      rules,
    );
    // The unit's own back is a B, so an A display cannot lift it: it only costs more.
    expect(ranked.map(({ part: { tag }, sellsAt, gainCents }) => [tag, sellsAt, gainCents])).toEqual([
      ['P-3', 'B', 17800 - 4900],
      ['P-2', 'B', 17800 - 6200],
      ['P-1', 'C', 13100 - 3200],
    ]);
  });

  test('where two leave the same, the older of the lower grade goes first', () => {
    const ranked = rankForSlot(
      phone,
      unit,
      'motor',
      [part('P-9', 'B', 'lantern-motor'), part('P-2', 'B', 'lantern-motor')],
      {},
      rules,
    );
    expect(ranked.map(({ part: { tag } }) => tag)).toEqual(['P-2', 'P-9']);
  });
});
