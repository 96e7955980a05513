import type { Model } from '@/core/procedure/model';
import type { Debt } from '@/core/procedure/operations';
import type { Outcome } from '@/core/shared/outcome';
import { planRunSheet, reachableTargets, type RunSheet, type SheetRequest } from '@/core/teardown/sheet/runSheet';
import { readStepId } from '@/core/teardown/sheet/sheetStep';
import type { ScrewTrouble, SheetState, Unit } from '../entities/entities';
import { kindsFound, withFindings } from '@/core/findings/mark';
import { scrapBy } from '@/core/findings/partHarm';
import { message } from '@/core/shared/message';

/** Sheets that were computed, by model. A sheet follows from the model and what was asked, so it is never out of date. */
const made = new WeakMap<Model, Map<string, Outcome<RunSheet>>>();
const mostPerModel = 64;

/** What is asked of a sheet; the rest of a state counts when it is under way. */
export type SheetAsked = Pick<SheetState, 'kind' | 'targets' | 'rules'> &
  Partial<
    Pick<
      SheetState,
      'findings' | 'keeping' | 'screwTroubles' | 'reused' | 'kept' | 'barred' | 'again' | 'redo' | 'brought' | 'stepIds'
    >
  >;

type AboutUnit = Pick<Unit, 'revision' | 'configuration' | 'marks'> & Partial<Pick<Unit, 'found' | 'tests'>>;

/** The run sheet a unit has, or would have, from its model version and what is known of it. */
export function sheetOf(model: Model, unit: AboutUnit, asked: SheetAsked): Outcome<RunSheet> {
  const request = requestOf(model, unit, asked);
  const key = JSON.stringify({ ...request, rules: asked.rules, screwsOwed: [...(request.screwsOwed ?? [])] });
  const sheets = made.get(model) ?? new Map<string, Outcome<RunSheet>>();
  const known = sheets.get(key);
  if (known) return known;
  const sheet = planRunSheet(model, request, asked.rules);
  if (sheets.size >= mostPerModel) sheets.clear();
  made.set(model, sheets.set(key, sheet));
  return sheet;
}

/** Of the targets of a sheet, those that are out or can still be freed. */
export const stillReachable = (model: Model, unit: AboutUnit, asked: SheetAsked): readonly string[] =>
  reachableTargets(model, requestOf(model, unit, asked), asked.rules);

function requestOf(model: Model, unit: AboutUnit, asked: SheetAsked): SheetRequest {
  const findings = asked.findings ?? kindsFound(unit);
  const { revision, configuration } = unit;
  const {
    kind,
    targets,
    keeping,
    kept,
    barred,
    again,
    redo,
    brought,
    screwTroubles = [],
    reused,
    stepIds: habit,
  } = asked;
  const scrap = scrapBy(model, withFindings(unit, findings));
  const screwsOwed = kind === 'rebuild' && screwTroubles.length > 0 ? owedForScrews(screwTroubles) : undefined;
  return {
    kind,
    targets,
    revision,
    configuration,
    findings,
    tests: unit.tests,
    scrap,
    keeping,
    kept,
    barred,
    again,
    redo,
    screwsOwed,
    reused,
    brought,
    habit,
  };
}

/** Screws that cannot go back as they are; a stuck one is still in. */
const replaced: readonly ScrewTrouble['kind'][] = ['missing', 'stripped', 'foreign', 'short'];
const minutesAScrew = 0.3;

/** Fresh screws, where those that came out cannot go back; checked before their step is closed. */
function owedForScrews(troubles: readonly ScrewTrouble[]): ReadonlyMap<string, Debt> {
  const counts = new Map<string, number>();
  for (const { stepId, kind, count } of troubles) {
    const { leg, id } = readStepId(stepId);
    if (leg === 'out' && replaced.includes(kind)) counts.set(id, (counts.get(id) ?? 0) + count);
  }
  return new Map(
    [...counts].map(([id, count]) => [
      id,
      {
        says: message('sheet.newScrewForThoseThat', { count }),
        minutes: count * minutesAScrew,
        check: message('sheet.headThreadAndLengthMatch'),
      },
    ]),
  );
}
