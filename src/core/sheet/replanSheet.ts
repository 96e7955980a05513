import { getModelPart, type Model } from '@/core/procedure/model';
import type { Finding } from '@/core/procedure/vocabulary';
import type { Wording } from '@/core/shared/message';
import { accept, type Outcome } from '@/core/shared/outcome';
import type { KeptStep } from '@/core/teardown/sheet/keptSteps';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { Replanning, SheetState, Unit } from '../entities/entities';
import { sheetOf, stillReachable } from './sheetOf';

/** What came up at the bench that the sheet did not know. */
export type Deviation =
  | { readonly because: 'found'; readonly finding: Finding }
  | { readonly because: 'part-lost' }
  | { readonly because: 'will-not-yield'; readonly operationId: string }
  | { readonly because: 'wanted'; readonly targets: readonly string[] };

/** What is different between a sheet and the one that takes its place. */
export interface SheetDifference {
  /** Titles of steps that came in, and that fell away. */
  readonly added: readonly Wording<'sheet'>[];
  readonly dropped: readonly Wording<'sheet'>[];
  /** Names of parts that are no longer to come out, and that now are. */
  readonly left: readonly string[];
  readonly wanted: readonly string[];
  /** Likely minutes that it takes more, from here on. */
  readonly minutes: number;
  readonly isReordered: boolean;
}

export interface Replan {
  readonly payload: Replanning;
  readonly sheet: RunSheet;
  /** Null when the sheet stays as it is. */
  readonly difference: SheetDifference | null;
}

/** The steps done, as they stay on a sheet that is planned anew. */
export function keptOf(steps: readonly SheetStep[], { doneStepIds, kept }: SheetState): readonly KeptStep[] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const ends = new Map(kept.map(({ stepId, end }) => [stepId, end]));
  return doneStepIds.flatMap((id) => {
    const step = byId.get(id);
    return step ? [{ ...keptStep(step), ...(ends.get(id) !== undefined && { end: ends.get(id) }) }] : [];
  });
}

/** A step as it stays on the sheet once it is done. */
export const keptStep = ({ id, leg, tool, cups }: SheetStep): KeptStep => ({
  stepId: id,
  tool,
  cups: leg === 'out' ? cups.map(({ cup }) => cup) : [],
});

/**
 * The sheet from the present state on, when something came up. Nothing that is done is asked again. Parts that are lost
 * are no longer wanted, nor are those that can no longer be reached; everything else stays wanted.
 *
 * @param sheet  as it is now, of a unit whose sheet is under way
 * Cost: that of one sheet
 */
export function replanSheet(
  model: Model,
  unit: Pick<Unit, 'revision' | 'configuration' | 'marks'> & { readonly sheet: SheetState },
  sheet: RunSheet,
  deviation: Deviation,
): Outcome<Replan> {
  const { sheet: state } = unit;
  const findings = deviation.because === 'found' ? distinct([...state.findings, deviation.finding]) : state.findings;
  const barred =
    deviation.because === 'will-not-yield' ? distinct([...state.barred, deviation.operationId]) : state.barred;
  const isLost = (part: string) =>
    state.kind === 'teardown' &&
    state.partTroubles.some(({ partRef, state: how }) => partRef === part && how !== 'suspect');
  const wanted = (deviation.because === 'wanted' ? deviation.targets : state.targets).filter((part) => !isLost(part));
  const asked = { ...state, findings, barred, kept: keptOf(sheet.steps, state) };
  const targets = stillReachable(model, unit, { ...asked, targets: wanted });
  const planned = sheetOf(model, unit, { ...asked, targets });
  if (!planned.ok) return planned;
  const payload = { because: deviation.because, targets, findings, barred, again: state.again };
  return accept({
    payload,
    sheet: planned.value,
    difference: compareSheets(model, sheet, planned.value, state, targets),
  });
}

const distinct = <T>(items: readonly T[]): readonly T[] => [...new Set(items)];

function compareSheets(
  model: Model,
  before: RunSheet,
  after: RunSheet,
  { doneStepIds, targets: wantedBefore }: SheetState,
  wanted: readonly string[],
): SheetDifference | null {
  const left = ({ steps }: RunSheet) => steps.filter(({ id }) => !doneStepIds.includes(id));
  const [old, fresh] = [left(before), left(after)];
  const missing = (from: readonly SheetStep[], to: readonly SheetStep[]) =>
    from.filter(({ id }) => !to.some((step) => step.id === id));
  const likely = (steps: readonly SheetStep[]) => steps.reduce((sum, { minutes }) => sum + minutes.likely, 0);
  const named = (parts: readonly string[]) => parts.map((id) => getModelPart(model, id).name);
  const common = (from: readonly SheetStep[], to: readonly SheetStep[]) =>
    from.flatMap(({ id }) => (to.some((step) => step.id === id) ? [id] : [])).join(' ');
  const difference: SheetDifference = {
    added: missing(fresh, old).map(({ title }) => title),
    dropped: missing(old, fresh).map(({ title }) => title),
    left: named(wantedBefore.filter((part) => !wanted.includes(part))),
    wanted: named(wanted.filter((part) => !wantedBefore.includes(part))),
    minutes: likely(fresh) - likely(old),
    isReordered: common(old, fresh) !== common(fresh, old),
  };
  const lists = [difference.added, difference.dropped, difference.left, difference.wanted];
  const isSame =
    lists.every(({ length }) => length === 0) && !difference.isReordered && Math.abs(difference.minutes) < 0.05;
  return isSame ? null : difference;
}
