import { sheetOf } from '@/core/sheet/sheetOf';
import { kindsFound } from '@/core/findings/mark';
import { capIn, scrapBy } from '@/core/findings/partHarm';
import { neededParts } from '@/core/sale/slots';
import { getModelPart, type Model } from '@/core/procedure/model';
import { operationsFor } from '@/core/procedure/situation';
import { modelBySchools } from '@/core/schools/modelBySchools';
import { saleGrades } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';
import { expectedMinutes, meanMinutes } from '@/core/teardown/attendedMinutes';
import { priceOfPart } from '@/core/teardown/worth/partWorth';
import { carriedWorth, withCarried } from '@/core/teardown/worth/carriedWorth';
import { payingParts } from '@/core/teardown/worth/payingParts';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { drawMinutes, drawRange, drawShare } from './drawRange';
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
}

/** What would be taken out, in how many minutes, for how much. */
export interface HarvestPlan {
  /** Parts that pay, as the planner chooses them. */
  readonly harvest: readonly Harvest[];
  readonly steps: readonly SheetStep[];
  readonly minutes: number;
  readonly worthCents: number;
  /** Expected, after labour. */
  readonly cents: number;
}

/**
 * How far a unit pays as a donor (`payingParts`): each part with its chance on a unit in this condition and what one more
 * of it brings today; less the minutes of the very sheet the bench would get. Null when nothing pays.
 */
export function planHarvest(written: Model, unit: Subject, known: Knowledge, rules: HouseRules): HarvestPlan | null {
  const model = modelBySchools(written, rules);
  const findings = kindsFound(unit);
  const scrap = new Set([...scrapBy(model, unit), ...neededParts(model, unit).map(({ id }) => id)]);
  const absent = new Set(model.configurations.find(({ id }) => id === unit.configuration)?.absentParts ?? []);
  const bare = model.parts
    .filter((part) => !scrap.has(part.id) && !absent.has(part.id) && priceOfPart(part, rules.gradeMix) !== undefined)
    .map((part) => ({
      part: part.id,
      name: part.name,
      soundCents: partBrings(part, known, rules, capIn(model, part, unit)?.grade),
      known: yieldOf(model, part, unit, known),
      boundTo: part.boundTo,
    }));
  const carried = carriedWorth(
    model,
    { ...unit, findings },
    bare.map(({ part, soundCents, known: { share } }) => ({ part, soundCents, chance: share })),
    rules,
  );
  const offered = withCarried(
    bare.map((entry) => ({ ...entry, chance: entry.known.share })),
    carried,
  );
  const paying = payingParts(
    {
      operations: operationsFor(model, { ...unit, findings }),
      cost: (operation) => expectedMinutes(operation, findings) * rules.labourCentsPerMinute,
      isAllowed: ({ destroys = [] }) => destroys.every((part) => scrap.has(part)),
    },
    offered.map(({ part, soundCents, chance, boundTo }) => ({
      part,
      soundCents,
      chance,
      ...(boundTo !== undefined && offered.some((other) => other.part === boundTo) && { boundTo }),
    })),
  );
  const harvest = offered.filter(({ part }) => paying.parts.includes(part));
  const sheet = sheetOf(model, unit, { kind: 'teardown', targets: harvest.map(({ part }) => part), rules });
  if (harvest.length === 0 || !sheet.ok) return null;
  const { steps } = sheet.value;
  const minutes = steps.reduce((sum, step) => sum + meanMinutes(step.minutes), 0);
  const worthCents = harvest.reduce((sum, { soundCents, known: { share } }) => sum + soundCents * share, 0);
  const cents = Math.round(worthCents - minutes * rules.labourCentsPerMinute);
  return { harvest, steps, minutes, worthCents, cents };
}

/** What a unit brings in parts, with its range and its arithmetic. */
export function valueDonor(model: Model, plan: HarvestPlan | null, known: Knowledge, rules: HouseRules): Valued {
  if (!plan) {
    const nothing = { disposition: 'donor', cents: 0, lowCents: 0, highCents: 0, figures: [] } as const;
    return { ...nothing, because: message('triage.noPartInWorthTaking'), isPossible: false };
  }
  const { harvest, steps, minutes, worthCents, cents } = plan;
  const factors = harvest.map(({ part }) => gradeFactors(model, part, rules));
  const range = drawRange((chance) => {
    const brought = harvest.reduce((sum, { soundCents, known: odds }, at) => {
      if (!chance.happens(drawShare(odds, chance))) return sum;
      return sum + soundCents * drawFactor(factors[at] as Factors, chance.next());
    }, 0);
    return brought - drawMinutes(steps, chance) * rules.labourCentsPerMinute;
  });
  const best = harvest.reduce((top, entry) =>
    entry.soundCents * entry.known.share > top.soundCents * top.known.share ? entry : top,
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
      ...harvest.map(({ name, soundCents, known: { share } }) => ({
        says: message('triage.of', { name, chance: share, soundCents }),
        cents: Math.round(soundCents * share),
      })),
      {
        says: message('triage.minAt', { taken: minutes, labourCentsPerMinute: rules.labourCentsPerMinute }),
        cents: -Math.round(minutes * rules.labourCentsPerMinute),
      },
    ],
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
