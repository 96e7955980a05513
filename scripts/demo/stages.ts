import type { SheetState, Unit } from '@/core/entities/entities';
import { replanSheet } from '@/core/sheet/replanSheet';
import { sheetOf } from '@/core/sheet/sheetOf';
import { defaultTargets, freedByStep, nextStep } from '@/core/sheet/sheetSteps';
import { slotNeeds } from '@/core/sale/slots';
import type { DefectCode } from '@/core/entities/stages';
import { rankForSlot } from '@/core/matching/rankForSlot';
import { gradesHeld, predictSale } from '@/core/sale/predictSale';
import { startingHouseRules } from '@/core/shared/houseRules';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import type { DeviceTest, PartCategory } from '@/core/procedure/vocabulary';
import type { Bin } from '@/core/shelf/racks';
import { suggestBins } from '@/core/shelf/suggestBin';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';
import { lockedMinutes } from '@/core/shop/openSheet';
import { simulateOperation, simulateResistance } from '@/core/simulation/simulateTeardown';
import { drawTriangle } from '@/core/statistics/triangle';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import { movesOf } from '@/core/teardown/worth/movesOf';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { Condition } from './decisions';
import type { DemoBench } from './demoBench';
import { inventCell, inventReadings, readAgain } from './readings';

/** What is said of a part of a category that broke. How often it does is in the models' own risks. */
const breakCodes: Readonly<Partial<Record<PartCategory, DefectCode>>> = {
  housing: 'cover-cracked',
  cover: 'cover-cracked',
  display: 'panel-cracked',
  battery: 'cell-bent',
  port: 'flex-torn',
  keys: 'clip-broken',
  camera: 'flex-torn',
  speaker: 'wire-torn',
  board: 'connector-lifted',
};

/** The demo's known truth where the models say nothing: how joints yield, and what is missing or loose in old units. */
const trueOdds = { usual: 0.8, rung: 0.65, practised: 0.8 };
const trueShift = { better: 0.18, worse: 0.22 };
const missingShare = 0.015;
const screwTroubleShare = 0.06;

const identity = (model: Model, configuration: string, serial: string, variant: string, revision: string) => ({
  modelId: model.id,
  modelVersion: model.version,
  configuration,
  serial,
  variant,
  revision,
});

export async function identify(bench: DemoBench, unitId: string, model: Model, serial: string): Promise<void> {
  const { chance } = bench;
  const configuration = (chance.happens(0.85) ? model.configurations[0] : model.configurations.at(-1))?.id as string;
  await bench.fact(
    'unit-identified',
    unitId,
    identity(model, configuration, serial, chance.pick(model.variants).id, chance.pick(model.revisions).id),
    0.6,
  );
}

export async function lookOver(
  bench: DemoBench,
  unitId: string,
  condition: Condition,
  tests: readonly DeviceTest[],
): Promise<void> {
  const model = bench.modelOf(bench.unit(unitId));
  for (const kind of condition.marks) {
    const face = bench.chance.pick(model.faces.slice(0, 2)).id;
    await bench.fact(
      'mark-placed',
      unitId,
      { mark: { kind, face, field: Math.ceil(bench.chance.between(0.01, 9)) } },
      0.3,
    );
  }
  for (const test of tests) {
    await bench.fact('test-noted', unitId, { test, result: condition.faults.includes(test) ? 'fault' : 'sound' }, 0.2);
  }
}

/** Wipes when it starts, then opens the run sheet. */
export async function startTeardown(bench: DemoBench, unitId: string): Promise<void> {
  bench.turn();
  const unit = bench.unit(unitId);
  const model = bench.modelOf(unit);
  if (unit.tests.starts === 'sound') await bench.fact('wipe-recorded', unitId, { method: 'device-erase' }, 4);
  const paying = await bench.harvestOf(unit);
  const targets = paying.length > 0 ? paying : defaultTargets(model, unit.configuration);
  await bench.fact('sheet-started', unitId, { kind: 'teardown', targets, keeping: 'tray' }, 1);
}

/** Works through the open sheet, at most so many steps. */
export async function workSheet(bench: DemoBench, unitId: string, most = Infinity): Promise<void> {
  for (let done = 0; done < most; done += 1) {
    const unit = bench.unit(unitId);
    const { sheet } = unit;
    if (!sheet || sheet.isClosed) return;
    const model = bench.modelOf(unit);
    const step = nextStep(planned(model, unit).steps, sheet) as SheetStep;
    airTheSeam(bench, sheet);
    await oneStep(bench, unit, model, step);
  }
}

async function oneStep(bench: DemoBench, unit: Unit, model: Model, step: SheetStep): Promise<void> {
  const { chance } = bench;
  if (step.leg === 'gate') {
    const minutes = drawTriangle(step.minutes, chance);
    await bench.fact('gate-judged', unit.id, { stepId: step.id, hasPassed: true }, minutes);
    return;
  }
  const operation = model.operations.find(({ id }) => id === step.operationId) as Operation;
  const isTeardown = step.leg === 'out' && sheetNow(bench, unit).kind === 'teardown';
  if (isTeardown && operation.ladder && !(await getOpen(bench, unit, model, step, operation))) return;
  const { minutes, broke } = isTeardown
    ? simulateOperation(operation, bench.truthOf(unit), sheetNow(bench, unit).findings, chance)
    : { minutes: drawTriangle(step.minutes, chance), broke: [] };
  if (isTeardown) await noteTrouble(bench, unit, model, step, broke);
  const freed = step.leg === 'out' ? freedByStep(model, sheetNow(bench, unit), step, () => chance.uuid()) : [];
  await bench.fact(
    'step-done',
    unit.id,
    { stepId: step.id, seconds: Math.round(minutes * 60), freed },
    minutes + (step.wait?.minutes ?? 0) / 4,
  );
}

/** With solvent in the air nothing is warmed: that is waited for. */
const airTheSeam = (bench: DemoBench, sheet: SheetState): void => {
  const minutes = lockedMinutes(sheet, bench.clock.pass(0).toISOString());
  if (minutes > 0) bench.wait(minutes);
};

const sheetNow = (bench: DemoBench, unit: Unit): SheetState => bench.unit(unit.id).sheet as SheetState;

/** Goes up the ladder as far as it takes; what never yields is left, and the rest is planned without it. */
async function getOpen(
  bench: DemoBench,
  unit: Unit,
  model: Model,
  step: SheetStep,
  operation: Operation,
): Promise<boolean> {
  const { findings } = sheetNow(bench, unit);
  const { minutes, hasYielded } = simulateResistance(operation, findings, trueOdds, bench.chance);
  for (const [at, tried] of minutes.slice(0, -1).entries()) {
    const seconds = Math.round(tried * 60);
    airTheSeam(bench, sheetNow(bench, unit));
    await bench.fact('step-resisted', unit.id, { stepId: step.id, rung: at + 1, seconds }, tried);
  }
  airTheSeam(bench, sheetNow(bench, unit));
  if (hasYielded) return true;
  const now = { ...bench.unit(unit.id), sheet: sheetNow(bench, unit) };
  const anew = replanSheet(model, now, planned(model, now), { because: 'will-not-yield', operationId: operation.id });
  if (!anew.ok) throw new Error(`demo: no sheet for ${unit.tag}`);
  await bench.fact('sheet-replanned', unit.id, anew.value.payload, 0.5);
  return false;
}

/** Says what broke or is not there, and now and then that a screw is the matter. */
async function noteTrouble(
  bench: DemoBench,
  unit: Unit,
  model: Model,
  step: SheetStep,
  broke: readonly string[],
): Promise<void> {
  const { chance } = bench;
  for (const partRef of broke) {
    const defectCode = breakCodes[getModelPart(model, partRef).category] ?? 'clip-broken';
    const trouble = { stepId: step.id, partRef, state: 'broken-by-us', defectCode } as const;
    await bench.fact('part-trouble', unit.id, trouble, 0.2);
  }
  for (const partRef of step.frees.filter((id) => !broke.includes(id) && chance.happens(missingShare))) {
    const trouble = { stepId: step.id, partRef, state: 'missing', defectCode: null } as const;
    await bench.fact('part-trouble', unit.id, trouble, 0.2);
  }
  if (step.cups.length > 0 && chance.happens(screwTroubleShare)) {
    const kind = chance.pick(['missing', 'stripped', 'foreign'] as const);
    await bench.fact('screw-trouble', unit.id, { stepId: step.id, kind, count: 1 }, 0.2);
  }
}

function planned(model: Model, unit: Unit): RunSheet {
  const sheet = sheetOf(model, unit, unit.sheet as NonNullable<Unit['sheet']>);
  if (!sheet.ok) throw new Error(`demo: no sheet for ${unit.tag}`);
  return sheet.value;
}

export async function gradeAll(bench: DemoBench, leave = 0): Promise<void> {
  bench.turn();
  // One cell always hangs on the analyser.
  const hanging = bench.partsAt('grade').findLast(({ category }) => category === 'battery');
  const waiting = bench.partsAt('grade').filter((part) => part !== hanging);
  for (const part of waiting.slice(0, Math.max(0, waiting.length - leave))) {
    const readings = inventReadings(part, bench.chance);
    const cell = inventCell(bench.modelPartOf(part), readings, bench.chance);
    await bench.fact('part-graded', part.id, { readings, ...(cell && { cell }) }, 1.5);
  }
}

/** Second looks at stored parts, by whoever has their turn: most read the same, some take one choice for its neighbour. */
export async function lookAgain(bench: DemoBench, looks: number): Promise<void> {
  const { chance } = bench;
  for (let look = 0; look < looks; look += 1) {
    bench.turn();
    const part = chance.pick(bench.partsAt('shelf').filter(({ secondLook }) => !secondLook));
    await bench.fact('part-looked-again', part.id, { readings: readAgain(part, chance) }, 2);
  }
}

export async function shelveAll(bench: DemoBench, bins: readonly Bin[], leave = 0): Promise<void> {
  bench.turn();
  const waiting = bench.partsAt('to-shelve');
  for (const part of waiting.slice(0, Math.max(0, waiting.length - leave))) {
    if (!part.isDataCleared) {
      await bench.fact('part-scrapped', part.id, { because: 'storage destroyed: it was never wiped' }, 0.5);
      continue;
    }
    const stock = bench.partsAt('shelf').map((own) => ({ ...own, bin: own.bin as string, count: 1 }));
    const [bin] = suggestBins([part], bins, stock);
    await bench.fact('part-shelved', part.id, { bin: bin as string }, 0.4);
  }
}

/** Fills the slots that need a part from the shelf. Says whether all could be filled. */
export async function matchUnit(bench: DemoBench, unitId: string): Promise<boolean> {
  bench.turn();
  for (const slot of neededSlots(bench, bench.unit(unitId))) {
    const partId = bestFor(bench, bench.unit(unitId), slot);
    if (!partId) return false;
    await bench.fact('part-assigned', unitId, { slot, partId }, 0.4);
  }
  await bench.fact('unit-matched', unitId, {}, 0.2);
  return true;
}

/** Whether the shelf has a part for each slot that needs one. */
export const canBeMatched = (bench: DemoBench, unit: Unit): boolean =>
  neededSlots(bench, unit).every((slot) => bestFor(bench, unit, slot) !== undefined);

export const neededSlots = (bench: DemoBench, unit: Unit): readonly string[] =>
  slotNeeds(bench.modelOf(unit), unit)
    .filter(({ isNeeded }) => isNeeded)
    .map(({ part }) => part.id);

const bestFor = (bench: DemoBench, unit: Unit, slot: string): string | undefined =>
  rankForSlot(bench.modelOf(unit), unit, slot, bench.partsAt('shelf'), {}, startingHouseRules, movesOf)[0]?.part.id;

/** The run sheet of a rebuild, where one is needed. */
export async function startRebuild(bench: DemoBench, unitId: string): Promise<void> {
  bench.turn();
  const unit = bench.unit(unitId);
  if (unit.stage !== 'rebuild') return;
  await bench.fact(
    'sheet-started',
    unitId,
    { kind: 'rebuild', targets: Object.keys(unit.assigned), keeping: 'tray' },
    1,
  );
}

export async function prove(bench: DemoBench, unitId: string, most = Infinity): Promise<void> {
  bench.turn();
  const model = bench.modelOf(bench.unit(unitId));
  for (const test of model.tests.slice(0, most)) await bench.fact('proof-noted', unitId, { test, result: 'sound' }, 1);
}

export async function release(bench: DemoBench, unitId: string): Promise<void> {
  bench.turn();
  if (!bench.unit(unitId).isWiped) await bench.fact('wipe-recorded', unitId, { method: 'device-erase' }, 6);
  const { better, worse } = trueShift;
  const unit = bench.unit(unitId);
  const held = gradesHeld(unit.fitted, (id) => bench.parts.get(id)?.grade);
  const drawn = bench.chance.next();
  const shift = drawn < better ? -1 : drawn < better + worse ? 1 : 0;
  const at = saleGrades.indexOf(predictSale(bench.modelOf(unit), unit, { held }, startingHouseRules).grade) + shift;
  const cosmetic = saleGrades[Math.min(Math.max(at, 0), saleGrades.length - 1)] as SaleGrade;
  await bench.fact('unit-proven', unitId, { cosmetic }, 2);
}
