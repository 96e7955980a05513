import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { labelFits, placeOfCell, type CellLabel } from '@/core/battery/pack';
import { gradePart } from '@/core/grading/gradePart';
import type { Bought, GradeVerdict, Part } from '@/core/entities/entities';
import { gradedAgainAt, stocked } from '@/core/entities/stages';
import { attributesOf, type Readings } from '@/core/grading/attributes';
import type { GradingRules } from '@/core/shared/gradingRules';
import type { CellRecord } from '@/core/battery/cellRecord';
import type { PlusMinus } from '@/core/grading/doubt';
import { define, on, type TakenIn } from '../define';
import { partIn } from '../findPart';
import { modelOf } from '../findUnit';
import { reuseOf, tagsOfNewParts } from '../stepParts';
import { rulesBy } from '../rulesBy';
import { partChange, type World } from '../world';
import { transfersOf } from '@/core/procedure/transfers';

interface Graded {
  readonly readings: Readings;
  /** What instruments said of the spread of their readings, by attribute. */
  readonly plusMinus?: PlusMinus;
  readonly cell?: CellRecord;
  readonly verdict?: GradeVerdict;
}

/** A cell whose label contradicts the place it came out of is not of this kind, whatever it looks like. */
function labelOf(world: World, part: Part, label: CellLabel): Outcome<CellLabel> | null {
  const unit = world.find('unit', part.unitId);
  const model = unit && modelOf(world, unit);
  const slot = model?.ok ? model.value.parts.find(({ id }) => id === part.partRef) : undefined;
  return slot ? labelFits(label, placeOfCell(slot, label)) : null;
}

/** Grade: measured, and looked at a second time. */
export const partFacts = {
  /** Came from outside: it is looked at and graded here as every other part is. */
  'part-bought': define<{
    readonly modelId: string;
    readonly modelVersion: number;
    readonly partRef: string;
    readonly condition: Bought['condition'];
    readonly supplier: string;
    readonly cents: number;
    readonly warrantyUntil: string | null;
    /** An assembly that brings what sits on it; else it is bare. */
    readonly isWhole: boolean;
    readonly tag?: string;
  }>({
    subject: 'part',
    makesSubject: true,
    saidBy: 'technician',
    isPosted: true,
    involves: ({ modelId, modelVersion }) => ({ model: { modelId, modelVersion } }),
    tagsNeeded: () => ({ unit: 0, part: 1 }),
    completed: (payload, { partTags }) => ({ ...payload, tag: partTags[0] }),
    printsLabels: tagsOfNewParts,
    effect: (world, { subjectId, at, payload }) => {
      const { modelId, modelVersion, partRef, isWhole, tag, condition, supplier, cents, warrantyUntil } = payload;
      const model = world.findModel(modelId, modelVersion);
      if (!model) return refuse('unknown-model', { model: modelId });
      const bought = model.parts.find(({ id }) => id === partRef);
      if (!bought) return refuse('not-found', { id: partRef });
      const part: Part = {
        id: subjectId,
        tag: tag ?? '…',
        partRef,
        modelId,
        category: bought.category,
        interchange: bought.interchange,
        unitId: subjectId,
        bought: { condition, supplier, cents, on: at.slice(0, 10), warrantyUntil },
        state: 'sound',
        place: 'grade',
        readings: {},
        grade: null,
        limiting: null,
        bin: null,
        assignedTo: null,
        isDataCleared: true,
        carries: isWhole ? transfersOf(model, partRef, null).map(({ part: own }) => own) : [],
        ...(bought.singleUse && condition === 'used' && { reuse: reuseOf(bought) }),
        findings: [],
        version: 0,
        lastFactId: '',
      };
      return accept([partChange(null, part)]);
    },
  }),

  /** The verdict is written in by the server, so that the log keeps it when the rules change. */
  'part-graded': define<Graded>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    usesRules: true,
    completed: withVerdict,
    involves: ({ cell }) => ({ needsOrigin: cell?.label !== undefined }),
    effect: on(partIn('grade', ...gradedAgainAt), (part, fact, world) => {
      const { readings, plusMinus = {}, cell, verdict } = fact.payload;
      const fits = verdict || !cell?.label ? null : labelOf(world, part, cell.label);
      if (fits && !fits.ok) return fits;
      const by = rulesBy(world, fact);
      if (!by.ok) return by;
      const judged = verdict ? accept(verdict) : gradePart(part, readings, by.value);
      if (!judged.ok) return judged;
      const { grade, limiting } = judged.value;
      // Graded again where it lies: it stays there, unless it turns out to be scrap.
      const lies = stocked.includes(part.place);
      const place = grade === 'X' ? 'scrap' : lies ? part.place : 'to-shelve';
      const bin = place === part.place && lies ? part.bin : null;
      const asked = verdict ? { readings, plusMinus } : askedOnly(part, by.value, readings, plusMinus);
      // A second look was at the grade before; what is graded is off its charger.
      const { plusMinus: _, secondLook: __, conditioning: ___, reservedFor, ...others } = part;
      // Scrap is kept for nobody.
      const kept = place !== 'scrap' && reservedFor !== undefined && { reservedFor };
      const spreads = Object.keys(asked.plusMinus).length > 0 && { plusMinus: asked.plusMinus };
      const after = { ...others, ...kept, ...spreads, ...(cell && { cell }), readings: asked.readings };
      return accept([partChange(part, { ...after, grade, limiting, place, bin })]);
    }),
  }),

  /** A second look at a graded part by somebody who does not see its grade: it changes nothing but what is known of grading. */
  'part-looked-again': define<Graded>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    usesRules: true,
    completed: (payload, { changes: [change] }) => {
      const verdict = change?.kind === 'part' ? change.after?.secondLook : undefined;
      return verdict ? { ...payload, verdict } : payload;
    },
    effect: on(partIn('to-shelve', ...stocked), (part, fact, world) => {
      const { readings, verdict } = fact.payload;
      const by = rulesBy(world, fact);
      if (!by.ok) return by;
      const judged = verdict ? accept(verdict) : gradePart(part, readings, by.value);
      if (!judged.ok) return judged;
      const { grade, limiting } = judged.value;
      return accept([partChange(part, { ...part, secondLook: { grade, limiting } })]);
    }),
  }),
};

/** Readings that are asked of the part, and spreads that are figures: what else was sent says nothing of it. */
function askedOnly(part: Part, rules: GradingRules, readings: Readings, plusMinus: PlusMinus) {
  const ids = new Set<string>(attributesOf(part, rules).map(({ id }) => id));
  const isSpread = (value: unknown) => typeof value === 'number' && value >= 0 && value < 1e6;
  return {
    readings: Object.fromEntries(Object.entries(readings).filter(([id]) => ids.has(id))),
    plusMinus: Object.fromEntries(Object.entries(plusMinus).filter(([id, value]) => ids.has(id) && isSpread(value))),
  };
}

/** The grade that the rules of today gave is kept in the log: a replay takes it as it stands. */
function withVerdict(payload: Graded, { changes }: TakenIn): Graded {
  const [change] = changes;
  if (change?.kind !== 'part' || !change.after?.grade || !change.after.limiting) return payload;
  const { grade, limiting, readings, plusMinus } = change.after;
  const { plusMinus: _, ...others } = payload;
  return { ...others, readings, ...(plusMinus && { plusMinus }), verdict: { grade, limiting } };
}
