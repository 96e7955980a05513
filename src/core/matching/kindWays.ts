import type { Disposition } from '@/core/entities/stages';
import type { Unit } from '@/core/entities/entities';
import type { UnitGroup } from '@/core/matchPlan/problem';
import type { Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { Grade } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';
import { plainSerial } from '@/core/shared/serials';
import { knowledgeFor, type ShopKnowledge } from '@/core/triage/knowledge';
import { mustKeepApart, valueDispositions } from '@/core/triage/proposeDisposition';
import { fallbackCents } from '@/core/triage/valueBuild';
import type { MatchStock } from './matchStock';
import { waysAsDonor } from './waysAsDonor';
import { waysToBuild } from './waysToBuild';

/** What units of one kind can become, and what Triage would propose. */
export interface KindWays extends Pick<UnitGroup, 'asIs' | 'recycle' | 'builds' | 'levels'> {
  readonly proposed: Disposition | null;
}

/** Nobody looks at the range here, and drawing it takes longer than the rest. */
const noRange = () => ({ low: 0, high: 0 });

/** What was worked out before, by everything that it hangs on. */
export type KnownWays = ReadonlyMap<string, KindWays>;

/** Grades of what is set aside for a unit, by slot. */
export const heldGrades = (
  { assigned }: Pick<Unit, 'assigned'>,
  gradeOf: MatchStock['gradeOf'],
): Readonly<Record<string, Grade>> =>
  Object.fromEntries(Object.entries(assigned).map(([slot, id]) => [slot, gradeOf[id] ?? ('X' as const)]));

const isLost = ({ serial }: Pick<Unit, 'serial'>, { lost }: Pick<MatchStock, 'lost'>): boolean =>
  serial !== null && lost.has(plainSerial(serial));

/** Units that look the same to everything that is reckoned here. */
export function kindOf(unit: Unit, model: Model, stock: Pick<MatchStock, 'gradeOf' | 'lost'>): string {
  const { revision, configuration, variant, marks, found, tests } = unit;
  const held = heldGrades(unit, stock.gradeOf);
  const placed = marks.map(({ kind, face, field, depthMm }) => [kind, face, field, depthMm].join(' ')).sort();
  // A unit that something is set aside for is one of its own.
  const alone = Object.keys(held).length > 0 ? [unit.tag, held] : '';
  const said = Object.entries(tests).sort(([a], [b]) => (a < b ? -1 : 1));
  const about = [model.id, model.version, revision, configuration, variant, placed, found, said, isLost(unit, stock)];
  return JSON.stringify([...about, alone]);
}

/** Everything beside the unit that its ways hang on, for one model: as long as it is the same, so are they. */
export function groundOfModel(
  model: Model,
  knowledge: ShopKnowledge,
  wanted: ReadonlySet<string>,
  buyCents: (interchange: string, part: ModelPart) => number,
  rules: HouseRules,
): string {
  const { known } = knowledge;
  const own = knowledgeFor(knowledge, model.id);
  const classes = [...new Set(model.parts.map(({ interchange }) => interchange))];
  const parts = model.parts.map((part) => [part.valueCents, buyCents(part.interchange, part)]);
  const ofClasses = classes.map((one) => [known.shelf[one], known.market[one], known.lacking[one], wanted.has(one)]);
  const learnt = [own.yields, own.yieldsGiven, own.resistances, own.unseen, own.tests];
  return JSON.stringify([model.priceCents, model.variants, parts, ofClasses, learnt, rules]);
}

/**
 * What a unit can become, as Triage, the planner and the bench have it.
 *
 * Cost: one run sheet for each grade and one harvest plan for each wanted class, some milliseconds each
 *
 * @param wanted  classes that builds could use
 * @param buyCents  what another part in the place of one that fails costs a build
 */
export function waysOfKind(
  unit: Unit,
  model: Model,
  stock: Pick<MatchStock, 'knowledge' | 'gradeOf' | 'lost'>,
  wanted: ReadonlySet<string>,
  buyCents: (interchange: string, part: ModelPart) => number,
  rules: HouseRules,
): KindWays {
  const subject = { ...unit, isReportedLost: isLost(unit, stock) };
  // What money does not decide stays where it is.
  if (mustKeepApart(subject)) return { asIs: null, recycle: null, builds: [], levels: [], proposed: 'quarantine' };
  const known = knowledgeFor(stock.knowledge, model.id);
  const { valued, harvest, build } = valueDispositions(model, subject, known, rules, noRange);
  const asIs = valued.find(({ disposition }) => disposition === 'as-is');
  const held = heldGrades(unit, stock.gradeOf);
  // What waits for parts is left out of what a donor brings by itself: the plan weighs that.
  const isLacking = model.parts.some(({ interchange }) => known.lacking[interchange] !== undefined);
  return {
    asIs: asIs?.isPossible ? { cents: asIs.cents, uses: {} } : null,
    recycle: { cents: -rules.recycleCents },
    builds: waysToBuild(model, unit, held, known, rules, build ? fallbackCents(build, harvest) : 0),
    levels: waysAsDonor(model, unit, known, wanted, buyCents, rules, isLacking ? undefined : harvest),
    proposed: valued[0]?.disposition ?? null,
  };
}
