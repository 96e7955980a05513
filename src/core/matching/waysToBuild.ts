import type { Build, MovedPart, Need } from '@/core/matchPlan/problem';
import { boundPartner } from '@/core/procedure/boundPartner';
import type { Model } from '@/core/procedure/model';
import { saleGrades, worstGrade, type Grade, type SaleGrade } from '@/core/shared/grades';
import { fixtureKinds, type HouseRules } from '@/core/shared/houseRules';
import { sellingCosts } from '@/core/sale/sellingCosts';
import { slotNeeds, type SlotNeed } from '@/core/sale/slots';
import { sheetOf } from '@/core/sheet/sheetOf';
import { meanMinutes } from '@/core/teardown/attendedMinutes';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { movesOn } from '@/core/teardown/worth/movesOf';
import type { Knowledge, Subject } from '@/core/triage/knowledge';
import { unknownTest } from '@/core/triage/knownYields';
import { meanPrice, openTests, pricesAround } from '@/core/triage/valueBuild';

/** What runs short at the benches: minutes of anybody, and of people with a certificate. */
export const hands = 'hands';
export const certified = 'certified';

/** Minutes of a sheet by who may work them, and by the fixtures that waits are on. */
export function usesOfSteps(steps: readonly Pick<SheetStep, 'minutes' | 'needsCertificate' | 'wait'>[]) {
  const minutes = (own: typeof steps) => own.reduce((sum, step) => sum + meanMinutes(step.minutes), 0);
  const ofCertified = minutes(steps.filter(({ needsCertificate }) => needsCertificate));
  const waits: Record<string, number> = {};
  for (const { wait } of steps) if (wait) waits[wait.fixture] = (waits[wait.fixture] ?? 0) + wait.minutes;
  const onFixtures = fixtureKinds.flatMap((kind) => (waits[kind] ? [[kind, waits[kind]] as const] : []));
  return {
    [hands]: minutes(steps),
    ...(ofCertified > 0 && { [certified]: ofCertified }),
    ...Object.fromEntries(onFixtures),
  };
}

/** Slots that another part goes into when the unit is to sell at a grade: what is needed anyhow, and what looks worse than that. */
function replacedFor(needs: readonly SlotNeed[], held: Readonly<Record<string, Grade>>, grade: SaleGrade) {
  return needs.filter(({ part, ownGrade, isNeeded }) => {
    const has = held[part.id] ?? (isNeeded ? 'X' : ownGrade);
    return has === 'X' || (part.slot === 'cosmetic' && worstGrade([has, grade]) !== grade);
  });
}

/**
 * The ways to build a unit, one for each grade at which it could sell: which slots get another part, the work of the very
 * sheet that the bench would get, and what it brings after selling costs, work and what untested things may still show. Parts are not in it.
 *
 * @param held  grades of parts that are set aside for it already, by slot: they stay
 * @param fallback  what is left of it where it fails at Prove
 */
export function waysToBuild(
  model: Model,
  unit: Subject,
  held: Readonly<Record<string, Grade>>,
  known: Knowledge,
  rules: HouseRules,
  fallback: number,
): readonly Build[] {
  const slots = slotNeeds(model, unit);
  const seen = new Set<string>();
  return saleGrades.toReversed().flatMap((grade): readonly Build[] => {
    const replaced = replacedFor(slots, held, grade);
    const ids = new Set(replaced.map(({ part }) => part.id));
    // A part that works only together with another goes in with that one.
    for (const { part } of replaced) {
      const partner = boundPartner(model, part.id);
      if (partner !== null && slots.some((slot) => slot.part.id === partner)) ids.add(partner);
    }
    const targets = [...ids, ...Object.keys(held).filter((slot) => !ids.has(slot))];
    const key = [grade, ...targets].join();
    if (seen.has(key)) return [];
    seen.add(key);
    const sheet = sheetOf(model, unit, { kind: 'rebuild', targets, rules, brought: [] });
    if (!sheet.ok) return [];
    const moves = movesOn(model, sheet.value, rules);
    const isMove = ({ leg }: SheetStep) => leg === 'move';
    const uses = usesOfSteps(sheet.value.steps.filter((step) => !isMove(step)));
    const consumables = sheet.value.consumables.reduce((sum, { count, unitCents }) => sum + count * unitCents, 0);
    const holds = openTests(model, unit, targets).reduce(
      (product, test) => product * (known.tests[test] ?? unknownTest).share,
      1,
    );
    const price = Math.round(meanPrice(pricesAround(model, unit, grade, rules)));
    const left = price - sellingCosts(price, rules) - consumables;
    const cents =
      holds * left +
      (1 - holds) * (Math.max(0, fallback) - consumables) -
      (uses[hands] ?? 0) * rules.labourCentsPerMinute;
    const needs = slots
      .filter(({ part }) => ids.has(part.id))
      .flatMap(({ part }): readonly Need[] => {
        const partner = boundPartner(model, part.id);
        const isPair = partner !== null && ids.has(partner);
        // A pair is one need, at the first of the two.
        if (isPair && partner < part.id) return [];
        const pair = isPair ? slots.find((slot) => slot.part.id === partner)?.part : undefined;
        const isSeen = part.slot === 'cosmetic' || pair?.slot === 'cosmetic';
        const moved = moves.filter(({ assembly }) => assembly === part.id);
        return [
          {
            slot: pair ? pairOf(part.id, pair.id) : part.id,
            of: pair ? pairOf(part.interchange, pair.interchange) : part.interchange,
            atLeast: isSeen ? grade : 'D',
            share: holds,
            ...(moved.length > 0 && { moves: { model: model.id, parts: moved.map(toMoved) } }),
          },
        ];
      });
    return [{ id: grade, sellsAs: soldAs(model, unit), grade, cents: Math.round(cents), uses, needs }];
  });
}

const toMoved = ({ part, cents, minutes }: ReturnType<typeof movesOn>[number]): MovedPart => ({
  part,
  cents: Math.round(cents),
  uses: { [hands]: minutes },
});

/** Two parts that stay together, and their classes, as one. */
export const pairOf = (one: string, other: string): string => [one, other].sort().join('+');
export const partsOfPair = (pair: string): readonly string[] => pair.split('+');

/** Units of one model and variant share their price. */
export const soldAs = ({ id }: Model, { variant }: Pick<Subject, 'variant'>): string => `${id}/${variant ?? ''}`;
