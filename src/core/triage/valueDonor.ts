import { sheetOf } from '@/core/sheet/sheetOf';
import { kindsFound } from '@/core/findings/mark';
import { capIn, scrapBy } from '@/core/findings/partHarm';
import { neededParts } from '@/core/sale/slots';
import { boundPartner } from '@/core/procedure/boundPartner';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { Operation } from '@/core/procedure/operations';
import { operationsFor } from '@/core/procedure/situation';
import { modelBySchools } from '@/core/schools/modelBySchools';
import { saleGrades } from '@/core/shared/grades';
import type { Chance } from '@/core/shared/chance';
import type { HouseRules } from '@/core/shared/houseRules';
import { meanMinutes } from '@/core/teardown/attendedMinutes';
import { harvestPlan } from '@/core/teardown/joint/harvestPlan';
import { changeMinutes, chargedMinutes, movesSaved, soundAlong } from '@/core/teardown/joint/planMoney';
import type { LadderPolicy } from '@/core/teardown/policy/ladderPolicy';
import { priceOfPart } from '@/core/teardown/worth/partWorth';
import { savedMoves } from '@/core/teardown/worth/savedMoves';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { drawMinutes, drawRange, drawShare, type RangeOf } from './drawRange';
import { partBrings, yieldOf, type Knowledge, type Subject } from './knowledge';
import type { KnownYield } from './knownYields';
import type { Valued } from './valued';
import { message } from '@/core/shared/message';

/** A part that a donor of this kind could give. */
export interface Harvest {
  readonly part: string;
  readonly name: string;
  readonly soundCents: number;
  readonly known: KnownYield;
  /** Chance that it comes out whole along this very way. */
  readonly chance: number;
  /** The one of them without which it is worth nothing. */
  readonly partner: Harvest['part'] | null;
}

/** What would be taken out, in how many minutes, for how much. */
export interface DonorPlan {
  /** Parts that pay, as the planner chooses them. */
  readonly harvest: readonly Harvest[];
  /** What a technician would be given to do. */
  readonly steps: readonly SheetStep[];
  /** How it is taken apart: operations in their order, how each joint that may resist is tried, minutes between them. */
  readonly way: {
    readonly operations: readonly Operation[];
    readonly policies: ReadonlyMap<string, LadderPolicy>;
    readonly changeMinutes: number;
  };
  /** What assemblies save that come out with their parts on. */
  readonly savedCents: number;
  /** Consumables of joints that resist, as often as they do. */
  readonly usedCents: number;
  /** Attended: changes of set-up, and waits beside the hand that nothing fills, included. */
  readonly minutes: number;
  /** Of the harvest, with what whole assemblies save, less consumables. */
  readonly worthCents: number;
  /** Expected, after labour. */
  readonly cents: number;
}

/** Parts of a unit that could be taken out for somebody: not bad, not absent, and worth something. */
export function offeredParts(model: Model, unit: Subject, rules: Pick<HouseRules, 'gradeMix'>): readonly ModelPart[] {
  const scrap = scrapOf(model, unit);
  const absent = new Set(model.configurations.find(({ id }) => id === unit.configuration)?.absentParts ?? []);
  return model.parts.filter(
    (part) => !scrap.has(part.id) && !absent.has(part.id) && priceOfPart(part, rules.gradeMix) !== undefined,
  );
}

const scrapOf = (model: Model, unit: Subject): ReadonlySet<string> =>
  new Set([...scrapBy(model, unit), ...neededParts(model, unit).map(({ id }) => id)]);

/**
 * How far a unit pays as a donor, as the planner says it (`harvestPlan`): each part with its chance on a unit in this
 * condition and what one more of it brings today; less the minutes of the plan, and of what the sheet adds for what was
 * found. Null when nothing pays.
 */
export function planHarvest(written: Model, unit: Subject, known: Knowledge, rules: HouseRules): DonorPlan | null {
  const model = modelBySchools(written, rules);
  const findings = kindsFound(unit);
  const scrap = scrapOf(model, unit);
  const offered = offeredParts(model, unit, rules).map((part) => {
    const odds = yieldOf(model, part, unit, known);
    const soundCents = partBrings(part, known, rules, capIn(model, part, unit)?.grade);
    const isSeen = known.yields[part.id] !== undefined;
    const partner = boundPartner(model, part.id);
    return { part: part.id, name: part.name, soundCents, known: odds, chance: odds.share, isSeen, partner };
  });
  const saved = savedMoves(
    model,
    { ...unit, findings },
    offered.map(({ part }) => part),
    rules,
  );
  const operations = operationsFor(model, { ...unit, findings });
  const plan = harvestPlan(
    {
      model,
      postures: model.postures,
      findings,
      operations,
      isAllowed: ({ destroys = [] }) => destroys.every((part) => scrap.has(part)),
      resistances: known.resistances,
    },
    { worths: offered, saved, wanted: [] },
    rules,
  );
  if (!plan || plan.best.order.length === 0) return null;
  const { problem, best, parts, chances } = plan;
  const sound = soundAlong(problem, best.order);
  const chanceOf = (part: string) => {
    const number = parts.indexOf(part);
    return (chances[number] as number) * (sound[number] as number);
  };
  const harvest = offered.flatMap((entry): readonly Harvest[] => {
    const partner = offered.some(({ part }) => part === entry.partner) ? entry.partner : null;
    const chance = chanceOf(entry.part) * (partner === null ? 1 : chanceOf(partner));
    return chance > 0 ? [{ ...entry, partner, chance }] : [];
  });
  const sheet = sheetOf(model, unit, { kind: 'teardown', targets: harvest.map(({ part }) => part), rules });
  if (harvest.length === 0 || !sheet.ok) return null;
  const { steps } = sheet.value;
  const beside = steps.filter(({ operationId, leg }) => leg !== 'out' || operationId === undefined);
  const added = beside.reduce((sum, step) => sum + meanMinutes(step.minutes), 0);
  const minutes = chargedMinutes(problem, best.order) + added;
  const cents = Math.round(best.cents - added * rules.labourCentsPerMinute);
  if (cents <= 0) return null;
  const worthCents = cents + minutes * rules.labourCentsPerMinute;
  const savedCents = movesSaved(problem, best.order);
  const bare = harvest.reduce((sum, { soundCents, chance }) => sum + soundCents * chance, 0);
  return {
    harvest,
    steps,
    way: {
      operations: plan.operations,
      policies: new Map(
        operations.flatMap(({ id }, at) => {
          const policy = plan.resists[at]?.policy;
          return policy ? [[id, policy] as const] : [];
        }),
      ),
      changeMinutes: changeMinutes(problem, best.order),
    },
    minutes,
    worthCents,
    savedCents,
    usedCents: Math.max(0, bare + savedCents - worthCents),
    cents,
  };
}

/** What a unit brings in parts, with its range and its arithmetic. */
export function valueDonor(
  model: Model,
  plan: DonorPlan | null,
  known: Knowledge,
  rules: HouseRules,
  rangeOf: RangeOf = drawRange,
): Valued {
  if (!plan) {
    const nothing = { disposition: 'donor', cents: 0, lowCents: 0, highCents: 0, figures: [] } as const;
    return { ...nothing, because: message('triage.noPartInWorthTaking'), isPossible: false };
  }
  const { harvest, minutes, worthCents, savedCents, usedCents, cents } = plan;
  const draw = drawDonor(model, plan, rules);
  const range = rangeOf((chance) => draw(chance).cents);
  const best = harvest.reduce((top, entry) =>
    entry.soundCents * entry.chance > top.soundCents * top.chance ? entry : top,
  );
  const wanted = harvest.find(({ part }) => known.lacking[getModelPart(model, part).interchange]);
  const waiting = wanted && known.lacking[getModelPart(model, wanted.part).interchange];
  const because = message('triage.forLessWork', {
    count: harvest.length,
    best: best.name,
    worthCents: Math.round(worthCents),
    taken: minutes,
  });
  return {
    disposition: 'donor',
    cents,
    lowCents: Math.round(range.low),
    highCents: Math.round(range.high),
    because: waiting ? message('triage.waitingFor', { because, tag: waiting.tag, name: wanted.name }) : because,
    isPossible: true,
    figures: [
      ...harvest.map(({ name, soundCents, chance: share }) => ({
        says: message('triage.of', { name, chance: share, soundCents }),
        cents: Math.round(soundCents * share),
      })),
      ...(savedCents >= 1 ? [{ says: message('triage.movesSaved'), cents: Math.round(savedCents) }] : []),
      ...(usedCents >= 1 ? [{ says: message('triage.jointsThatResist'), cents: -Math.round(usedCents) }] : []),
      {
        says: message('triage.minAt', { taken: minutes, labourCentsPerMinute: rules.labourCentsPerMinute }),
        cents: -Math.round(minutes * rules.labourCentsPerMinute),
      },
    ],
  };
}

/** One way a teardown could go: what is left of it, and the parts that come out good. */
export type DonorDraw = (
  chance: Chance,
  shareOf?: (entry: Harvest) => number,
) => { readonly cents: number; readonly good: readonly Harvest[] };

/**
 * Ways a donor could turn out: which parts come out, how they are graded, how long the steps take.
 *
 * @returns a draw, which takes how often each part comes out by the belief itself unless it is said
 */
export function drawDonor(model: Model, plan: DonorPlan, rules: HouseRules): DonorDraw {
  const { harvest, steps, minutes, savedCents, usedCents } = plan;
  const factors = harvest.map(({ part }) => gradeFactors(model, part, rules));
  // Changes of set-up are as long whatever happens; the steps are not.
  const changes = minutes - steps.reduce((sum, step) => sum + meanMinutes(step.minutes), 0);
  return (chance, shareOf = ({ known }) => drawShare(known, chance)) => {
    const comes = harvest.map((entry) => {
      const { known: odds, chance: own, partner } = entry;
      const others = partner === null ? 1 : (harvest.find(({ part }) => part === partner)?.known.share ?? 1);
      const spared = odds.share > 0 && others > 0 ? own / (odds.share * others) : 0;
      return chance.happens(shareOf(entry) * spared);
    });
    const good = harvest.filter(({ partner }, at) => {
      const isWhole = partner === null || comes[harvest.findIndex(({ part }) => part === partner)] === true;
      return comes[at] === true && isWhole;
    });
    const brought = good.reduce(
      (sum, entry) => sum + entry.soundCents * drawFactor(factors[harvest.indexOf(entry)] as Factors, chance.next()),
      savedCents - usedCents,
    );
    return { good, cents: brought - (drawMinutes(steps, chance) + changes) * rules.labourCentsPerMinute };
  };
}

type Factors = readonly { readonly share: number; readonly factor: number }[];

/** Worth of each grade against the mean one, with its share. */
function gradeFactors(model: Model, id: string, rules: HouseRules): Factors {
  const part = getModelPart(model, id);
  const mean = priceOfPart(part, rules.gradeMix) ?? 0;
  return saleGrades.map((grade) => ({
    share: rules.gradeMix[grade],
    factor: mean > 0 ? (part.valueCents?.[grade] ?? 0) / mean : 0,
  }));
}

function drawFactor(factors: Factors, drawn: number): number {
  let sum = 0;
  return (factors.find(({ share }) => drawn < (sum += share)) ?? factors.at(-1))?.factor ?? 0;
}
