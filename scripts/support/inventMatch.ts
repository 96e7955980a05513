import type { Chance } from '@/core/shared/chance';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';
import {
  fates,
  matchProblemFormat,
  rankOf,
  type Build,
  type Level,
  type MatchProblem,
  type Need,
  type UnitGroup,
} from '@/core/matchPlan/problem';

export interface Size {
  readonly units: number;
  readonly slots: number;
  readonly classes: number;
  readonly lots: number;
  readonly models: number;
  /** At most so many parts are alike in a lot. */
  readonly perLot?: number;
}

const whole = (chance: Chance, low: number, high: number) => Math.round(chance.between(low, high));

/**
 * A made-up stock: models with slots, units of which some parts are bad, lots, offers, and, now and then, minutes that run
 * short, orders, falling prices, reserves and wishes.
 */
export function inventMatch(chance: Chance, size: Size, isPlain = false): MatchProblem {
  const grades = saleGrades;
  const worth = Array.from({ length: size.classes }, () => whole(chance, 300, 6000));
  const models = Array.from({ length: size.models }, (_, at) => ({
    id: `model-${at}`,
    slots: Array.from({ length: size.slots }, (__, slot) => ({
      id: `s${slot}`,
      of: whole(chance, 0, size.classes - 1),
      isSeen: chance.happens(0.5),
      isAssembly: chance.happens(0.2),
    })),
    price: whole(chance, 8000, 40_000),
  }));
  const share: Readonly<Record<SaleGrade, number>> = { A: 1.2, B: 1, C: 0.7, D: 0.4 };
  const ofGrade = (cents: number, grade: SaleGrade) => Math.round(cents * share[grade]);
  const groups = new Map<string, UnitGroup>();
  for (let unit = 0; unit < size.units; unit += 1) {
    const model = chance.pick(models);
    const own = model.slots.map(() => (chance.happens(0.3) ? 'X' : chance.pick(grades)));
    const tags = [`U-${String(unit + 1).padStart(5, '0')}`];
    const id = `${model.id} ${own.join('')}`;
    const before = groups.get(id);
    groups.set(id, before ? { ...before, tags: [...before.tags, ...tags] } : { id, tags, ...waysOf(model, own) });
  }

  function waysOf(model: (typeof models)[number], own: readonly string[]): Omit<UnitGroup, 'id' | 'tags'> {
    const builds = grades.flatMap((grade): Build[] => {
      const needs = model.slots.flatMap((slot, at): Need[] => {
        const has = own[at] as SaleGrade | 'X';
        const enough = has !== 'X' && (!slot.isSeen || rankOf(has) <= rankOf(grade));
        if (enough) return [];
        return [
          {
            slot: slot.id,
            of: `class-${slot.of}`,
            atLeast: slot.isSeen ? grade : 'D',
            share: 0.9,
            ...(slot.isAssembly && {
              moves: { model: model.id, parts: [{ part: 'sensor', cents: 150, uses: { hands: 3 } }] },
            }),
          },
        ];
      });
      const minutes = 8 + 6 * needs.length;
      const cents = ofGrade(model.price, grade) - 55 * minutes;
      return [{ id: `to-${grade}`, sellsAs: model.id, grade, cents, uses: { hands: minutes }, needs }];
    });
    const sound = model.slots.flatMap((slot, at) => (own[at] === 'X' ? [] : [{ slot, grade: own[at] as SaleGrade }]));
    const levels = [Math.ceil(sound.length / 2), sound.length]
      .filter((count, at, all) => count > 0 && all.indexOf(count) === at)
      .map((count): Level => {
        const gives = sound.slice(0, count).map(({ slot, grade }) => ({
          slot: slot.id,
          of: `class-${slot.of}`,
          grade,
          chance: 0.8,
          worthCents: ofGrade(worth[slot.of] as number, grade),
          failCents: 2 * (worth[slot.of] as number),
          ...(slot.isAssembly && { brings: { model: model.id, parts: ['sensor'] } }),
        }));
        const minutes = 4 + 4 * count;
        const cents = Math.round(gives.reduce((sum, one) => sum + one.chance * one.worthCents, 0) - 55 * minutes);
        return { id: `first-${count}`, cents, uses: { hands: minutes }, gives };
      });
    const starts = own[0] !== 'X';
    return {
      asIs: starts ? { cents: Math.round(model.price * 0.25), uses: { hands: 2 } } : null,
      recycle: { cents: -40 },
      builds,
      levels,
    };
  }

  const lots = Array.from({ length: size.lots }, (_, at) => {
    const of = whole(chance, 0, size.classes - 1);
    const grade = chance.pick(grades);
    return {
      id: `lot-${at}`,
      of: `class-${of}`,
      grade,
      count: whole(chance, 1, size.perLot ?? 2),
      worthCents: ofGrade(worth[of] as number, grade),
      ...(chance.happens(0.2) && { brings: { model: chance.pick(models).id, parts: ['sensor'] } }),
    };
  });
  const offers = worth.flatMap((cents, of) =>
    chance.happens(0.6)
      ? [
          {
            id: `offer-${of}`,
            of: `class-${of}`,
            grade: 'B' as const,
            cents: Math.round(cents * 1.6),
            worthCents: cents,
            most: chance.happens(0.5) ? 2 : null,
            leadDays: whole(chance, 1, 9),
          },
        ]
      : [],
  );
  const sold = chance.pick(models).id;
  const tags = [...groups.values()].flatMap((group) => group.tags);
  const often = (share2: number) => !isPlain && chance.happens(share2);
  return {
    format: matchProblemFormat,
    resources: [{ id: 'hands', minutes: often(0.6) ? whole(chance, 20, 40 * size.units) : 1e6 }],
    horizonDays: 14,
    units: [...groups.values()],
    lots,
    offers,
    orders: often(0.6)
      ? [
          {
            id: 'order-1',
            sellsAs: sold,
            atLeast: chance.pick(grades),
            count: whole(chance, 1, 2),
            days: chance.happens(0.6) ? whole(chance, 2, 12) : null,
            extraCents: whole(chance, 0, 2000),
            missCents: whole(chance, 0, 5000),
            isFirm: chance.happens(0.15),
          },
        ]
      : [],
    falls: often(0.5) ? [{ sellsAs: sold, grade: chance.pick(grades), after: 1, cents: whole(chance, 100, 4000) }] : [],
    reserves: often(0.4)
      ? [{ of: `class-${whole(chance, 0, size.classes - 1)}`, atLeast: chance.pick(grades), count: 1 }]
      : [],
    wishes: often(0.3)
      ? [
          {
            tag: chance.pick(tags),
            fate: chance.pick(fates),
            is: chance.happens(0.5) ? ('pinned' as const) : ('forbidden' as const),
          },
        ]
      : [],
    slotWishes: often(0.3)
      ? [
          {
            tag: chance.pick(tags),
            slot: 's0',
            from: chance.happens(0.5) ? chance.pick(tags) : (lots[0]?.id ?? ''),
            is: chance.happens(0.3) ? ('pinned' as const) : ('forbidden' as const),
          },
        ]
      : [],
  };
}

/** The same, where now and then a lot is kept for one unit, or is still on its way, and something was accepted before. */
export function withKept(chance: Chance, plan: MatchProblem): MatchProblem {
  const tags = plan.units.flatMap((group) => group.tags);
  // Parts that one unit could give to another.
  const promises = plan.units.flatMap(({ tags: [from = ''], levels }) =>
    (levels.at(-1)?.gives ?? []).flatMap(({ slot, of }) =>
      plan.units
        .filter((taker) => taker.tags[0] !== from && takes(taker, of))
        .map(({ tags: [tag = ''] }) => ({ from, part: slot, tag })),
    ),
  );
  const lots = plan.lots.map((lot) => {
    const kept = chance.happens(0.2) ? { for: chance.pick(tags) } : {};
    const coming = chance.happens(0.15) ? { coming: { chance: 0.7, failCents: 2 * lot.worthCents } } : {};
    return { ...lot, ...kept, ...coming };
  });
  if (!chance.happens(0.5)) return { ...plan, lots };
  return {
    ...plan,
    lots,
    keeps: {
      eachCents: whole(chance, 50, 3000) * (chance.happens(0.5) ? 10 : 1),
      fates: tags.filter(() => chance.happens(0.4)).map((tag) => ({ tag, fate: chance.pick(['build', 'donor']) })),
      parts: promises.length > 0 && chance.happens(0.7) ? [chance.pick(promises)] : [],
    },
  };
}

const takes = ({ builds }: UnitGroup, of: string): boolean =>
  builds.some(({ needs }) => needs.some((need) => need.of === of));
