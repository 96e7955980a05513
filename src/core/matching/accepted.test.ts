import { phone } from '../../../tests/support/models';
import type { Unit } from '@/core/entities/entities';
import type { UnitGroup } from '@/core/matchPlan/problem';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { acceptedBefore, keptLots, lapsedPromises } from './accepted';
import type { KeptForUnit, MatchStock } from './matchStock';

const unit = (tag: string, disposition: Unit['disposition'], promised: Unit['promised'] = {}) =>
  ({
    tag,
    disposition,
    promised,
    modelId: phone.id,
    modelVersion: phone.version,
    marks: [],
    tests: {},
  }) as unknown as Unit;
const battery = phone.parts.find(({ id }) => id === 'battery');
const of = battery?.interchange ?? '';

const stock = (more: Partial<MatchStock>) =>
  ({
    ...{ units: [], models: [phone], kept: [], underWay: [] },
    knowledge: {
      known: { shelf: {}, market: {}, unseen: { share: 0.8, low: 0.7, high: 0.9 }, tests: {}, lacking: {} },
      ...{ yields: {}, yieldsGiven: {}, resistances: {} },
    },
    ...more,
  }) as unknown as MatchStock;
const group = (tag: string, more: Partial<UnitGroup> = {}): UnitGroup => ({
  ...{ id: tag, tags: [tag], asIs: null, recycle: null, builds: [], levels: [] },
  ...more,
});
const wanting = (tag: string) =>
  group(tag, {
    builds: [
      {
        ...{ id: 'B', sellsAs: 's', grade: 'B', cents: 100, uses: {} },
        needs: [{ slot: 'battery', of, atLeast: 'D', share: 1 }],
      },
    ],
  });
const giving = (tag: string) =>
  group(tag, {
    levels: [
      {
        ...{ id: 'l', cents: 1, uses: {} },
        gives: [{ slot: 'battery', of, grade: 'B', chance: 0.9, worthCents: 1, failCents: 1 }],
      },
    ],
  });

test('what is decided stays unless it pays for two minutes of work; what is promised between free units stays likewise', () => {
  const units = [unit('U-1', 'build'), unit('U-2', 'donor', { battery: 'U-1', display: 'U-9' }), unit('U-3', null)];
  expect(acceptedBefore(units, new Set(['U-1', 'U-2', 'U-3']), rules)).toEqual({
    eachCents: 2 * rules.labourCentsPerMinute,
    fates: [
      { tag: 'U-1', fate: 'build' },
      { tag: 'U-2', fate: 'donor' },
    ],
    parts: [{ from: 'U-2', part: 'battery', tag: 'U-1' }],
  });
});

describe('lots of one part', () => {
  const part = (more: Partial<KeptForUnit>): KeptForUnit => ({
    ...{ tag: 'P-1', for: 'U-1', interchange: of, grade: 'C', isOnShelf: true },
    ...more,
  });
  const lots = (more: Partial<MatchStock>) => keptLots(stock(more), new Set(['U-1']), () => 500);

  test('what is kept for a unit is there for it alone; ungraded it counts as usual; for nobody here, and as scrap, it is none', () => {
    const kept = [
      part({}),
      part({ tag: 'P-2', grade: null, isOnShelf: false }),
      part({ tag: 'P-3', for: 'U-9' }),
      part({ tag: 'P-4', grade: 'X' }),
    ];
    expect(lots({ kept })).toEqual([
      { id: 'kept P-1', of, grade: 'C', count: 1, for: 'U-1' },
      { id: 'coming P-2', of, grade: 'B', count: 1, for: 'U-1' },
    ]);
  });

  test('what is still inside a unit on a bench may not come out, and then another is bought', () => {
    const underWay = [{ unit: unit('U-5', 'donor'), promised: { battery: 'U-1', display: 'U-9', 'no-such': 'U-1' } }];
    expect(lots({ underWay })).toEqual([
      expect.objectContaining({ id: 'coming U-5 battery', of, for: 'U-1', coming: { chance: 0.8, failCents: 500 } }),
    ]);
  });
});

test('a promise lapses where nobody waits, where nothing like it is needed, and where it cannot come; else it holds', () => {
  const lapsed = lapsedPromises(
    stock({
      units: [
        unit('U-2', 'donor', { battery: 'U-1' }),
        unit('U-3', 'donor', { battery: 'U-9' }),
        unit('U-4', 'donor', { battery: 'U-1' }),
      ],
      kept: [
        { tag: 'P-1', for: 'U-1', interchange: of, grade: 'B', isOnShelf: true },
        { tag: 'P-2', for: 'U-1', interchange: 'other', grade: 'B', isOnShelf: true },
        { tag: 'P-3', for: 'U-8', interchange: of, grade: 'B', isOnShelf: true },
      ],
      underWay: [{ unit: unit('U-5', 'donor'), promised: { battery: 'U-7', display: 'U-1' } }],
    }),
    [wanting('U-1'), giving('U-2'), giving('U-3'), group('U-4')],
  );
  expect(lapsed).toEqual([
    { from: 'P-2', part: null, for: 'U-1', because: 'not-needed' },
    { from: 'P-3', part: null, for: 'U-8', because: 'nobody-waits' },
    { from: 'U-3', part: 'battery', for: 'U-9', because: 'nobody-waits' },
    { from: 'U-4', part: 'battery', for: 'U-1', because: 'cannot-come' },
    { from: 'U-5', part: 'battery', for: 'U-7', because: 'nobody-waits' },
  ]);
});
