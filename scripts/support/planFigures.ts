import { freshSheet } from '@/core/sheet/freshSheet';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { SheetState } from '@/core/entities/entities';
import { replanSheet } from '@/core/sheet/replanSheet';
import { sheetOf } from '@/core/sheet/sheetOf';
import { defaultTargets } from '@/core/sheet/sheetSteps';
import { authorOrder } from '@/core/procedure/authorOrder';
import type { Model } from '@/core/procedure/model';
import { operationsFor } from '@/core/procedure/situation';
import type { Operation } from '@/core/procedure/operations';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { expectedMinutes } from '@/core/teardown/attendedMinutes';
import { bestOrder, type BestOrder } from '@/core/teardown/order/bestOrder';
import { sequenceOf } from '@/core/teardown/order/sequenceOf';
import { endOf, timeOrder } from '@/core/teardown/order/sequenceProblem';
import { harvestPlan, type HarvestPlan } from '@/core/teardown/joint/harvestPlan';
import { linePrices } from '@/core/teardown/plan/linePrices';
import { knowledgeOf } from '@/core/teardown/plan/knowledgeOf';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { breakEvens, payingParts } from '@/core/teardown/worth/payingParts';
import { projectRoot } from './home';
import { largeModel } from './largeModel';
import { costKinds, makeSequence, structures } from './sequences';

/** Fewer of the large ones: each may take its whole limit. */
const instancesOf = (count: number) => (count > 100 ? 4 : 10);
const limitMs = 2000;

const cpuMs = (work: () => void): number => {
  const since = process.cpuUsage();
  work();
  const { user, system } = process.cpuUsage(since);
  return (user + system) / 1000;
};

const sorted = (values: readonly number[]) => [...values].sort((a, b) => a - b);
const at = (values: readonly number[], share: number) =>
  sorted(values)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? Number.NaN;

/** Ordering made-up teardowns: how many are proven within two seconds, how long that takes, and the gap of the rest. */
function orderRows(): readonly string[] {
  const rows: string[] = [];
  for (const count of [45, 80, 150, 300])
    for (const structure of structures)
      for (const cost of costKinds) {
        const times: number[] = [];
        const gaps: number[] = [];
        for (let seed = 1; seed <= instancesOf(count); seed += 1) {
          const problem = makeSequence(count, structure, cost, seed * 7919);
          const since = performance.now();
          let best: BestOrder | undefined;
          times.push(
            cpuMs(() => {
              best = bestOrder(problem, { states: 1e9, goOn: () => performance.now() - since < limitMs });
            }),
          );
          if (best) gaps.push(best.isProven ? 0 : (best.minutes - best.lowerBound) / best.minutes);
        }
        const proven = gaps.filter((gap) => gap === 0).length;
        rows.push(
          `| ${count} | ${structure} | ${cost} | ${proven} of ${instancesOf(count)} | ${at(times, 0.5).toFixed(0)} | ${at(times, 1).toFixed(0)} | ${(at(gaps, 1) * 100).toFixed(2)} |`,
        );
      }
  return rows;
}

/** Choosing: one cut, all break-evens, with and without alternatives in the arcs. */
function choiceRows(): readonly string[] {
  return [20, 80, 300].flatMap((count) =>
    [false, true].map((hasAlternatives) => {
      const full = largeModel(count);
      const single = (operation: Operation) => ({
        ...operation,
        after: operation.after.filter(({ any }) => any.length === 1),
      });
      const model = hasAlternatives ? full : { ...full, operations: full.operations.map(single) };
      const situation = { revision: model.revisions[0]?.id ?? null, configuration: null, findings: [] };
      const unseen = { share: 0.7, low: 0.5, high: 0.9 };
      const prizes = knowledgeOf(
        model,
        null,
        { shares: {}, sharesGiven: {}, unseen, market: {}, resistances: [] },
        rules,
      ).map((known, index) => ({
        ...known,
        // Spread out, so that some pay and some do not.
        soundCents: Math.round((known.soundCents * ((index * 7) % 13)) / 4),
      }));
      const ground = {
        operations: operationsFor(model, situation),
        cost: (operation: Operation) => expectedMinutes(operation, []) * rules.labourCentsPerMinute,
        isAllowed: () => true,
      };
      const cut = Array.from({ length: 20 }, () => cpuMs(() => void payingParts(ground, prizes))).slice(5);
      let unproven = 0;
      const all = Array.from({ length: 3 }, () =>
        cpuMs(() => {
          unproven = breakEvens(ground, prizes).filter(({ isProven }) => !isProven).length;
        }),
      );
      return `| ${count} | ${hasAlternatives ? 'one arc in three with alternatives' : 'none'} | ${at(cut, 0.5).toFixed(1)} | ${at(all, 0.5).toFixed(0)} | ${unproven} of ${prizes.length} |`;
    }),
  );
}

/** Choice and order together, with all break-evens: made-up models with alternatives, where some parts pay and some do not. */
function jointRows(): readonly string[] {
  return [20, 45, 80].flatMap((count) =>
    [true, false].map((isWide) => {
      const full = largeModel(count);
      const model: Model = isWide
        ? {
            ...full,
            operations: full.operations.map((own, at) => ({ ...own, after: at === 0 ? [] : own.after.slice(0, 1) })),
          }
        : full;
      const situation = { revision: model.revisions[0]?.id ?? null, configuration: null, findings: [] };
      const unseen = { share: 0.7, low: 0.5, high: 0.9 };
      const ground = { shares: {}, sharesGiven: {}, unseen, market: {}, resistances: [] };
      const worths = knowledgeOf(model, null, ground, rules).map((known, index) => ({
        ...known,
        soundCents: Math.round((known.soundCents * ((index * 7) % 13)) / 4),
      }));
      const asked = { worths, saved: [], wanted: [] };
      const unit = {
        model,
        postures: model.postures,
        findings: [],
        operations: operationsFor(model, situation),
        isAllowed: () => true,
      };
      let plan: HarvestPlan | null = null;
      const planMs = cpuMs(() => (plan = harvestPlan(unit, asked, rules, { states: 20_000 })));
      const { best } = plan as unknown as HarvestPlan;
      let proven = 0;
      const evensMs = cpuMs(() => {
        const prices = linePrices(unit, asked, plan as unknown as HarvestPlan, rules);
        proven = [...prices.values()].filter(({ isProven }) => isProven).length;
      });
      return `| ${count} | ${isWide ? 'wide' : 'with alternatives'} | ${best.isProven ? 'yes' : 'no'} | ${((best.upperBound - best.cents) / 100).toFixed(2)} | ${best.states} | ${planMs.toFixed(0)} | ${proven} of ${worths.length} | ${evensMs.toFixed(0)} |`;
    }),
  );
}

const shippedModels = (): readonly Model[] => {
  const folder = join(projectRoot, 'data', 'models');
  return readdirSync(folder).map((file) => JSON.parse(readFileSync(join(folder, file), 'utf8')) as Model);
};

/** A sheet under way whose next step does not yield, or on which a crack is found: until the rest stands anew. */
function replanRow(model: Model): string {
  const configuration = model.configurations[0]?.id ?? null;
  const targets = defaultTargets(model, configuration);
  const about = { revision: model.revisions[0]?.id ?? null, configuration, marks: [] };
  const first = sheetOf(model, about, { kind: 'teardown', targets, rules });
  if (!first.ok) return `| ${model.maker} ${model.name} | – | – | – |`;
  const out = first.value.steps;
  const every = Math.ceil(out.length / 20);
  const times = out.flatMap(({ operationId }, done) => {
    if (done % every !== 0) return [];
    const state = stateAfter(out.slice(0, done), out, targets);
    const unit = { ...about, sheet: state };
    return [
      { because: 'found', finding: 'crack' } as const,
      { because: 'will-not-yield', operationId: operationId ?? '' } as const,
    ].map((deviation) => cpuMs(() => void replanSheet(model, unit, first.value, deviation)));
  });
  return `| ${model.maker} ${model.name} | ${out.length} | ${at(times, 0.5).toFixed(1)} | ${at(times, 0.95).toFixed(1)} |`;
}

const stateAfter = (done: readonly SheetStep[], all: readonly SheetStep[], targets: readonly string[]): SheetState => ({
  ...freshSheet,
  kind: 'teardown',
  targets,
  findings: [],
  stepIds: all.map(({ id }) => id),
  doneStepIds: done.map(({ id }) => id),
});

/** What the best order saves of each shipped model, everything out. */
function savedRow(model: Model): string {
  const own = authorOrder(model, {
    revision: model.revisions[0]?.id ?? null,
    configuration: model.configurations[0]?.id ?? null,
    findings: [],
  });
  const problem = sequenceOf(own, { postures: model.postures, findings: [] }, rules);
  let best: BestOrder | undefined;
  const ms = cpuMs(() => {
    best = bestOrder(problem, { states: 100_000 });
  });
  const author = endOf(
    problem,
    timeOrder(
      problem,
      own.map((_, operation) => ({ operation, choice: 0 })),
    ),
  );
  const found = best as BestOrder;
  return `| ${model.maker} ${model.name} | ${own.length} | ${author.toFixed(1)} | ${found.minutes.toFixed(1)} | ${(author - found.minutes).toFixed(1)} | ${found.isProven ? 'yes' : 'no'} | ${ms.toFixed(0)} |`;
}

/** The planner's figures as tables: CPU times, the first ones in which the code is still cold included in none. */
export function planFigures(): readonly string[] {
  for (let seed = 1; seed <= 20; seed += 1) bestOrder(makeSequence(40, 'layered', 'constant', seed), { states: 4000 });
  return [
    `Orders of made-up teardowns, ${limitMs / 1000} s at most:`,
    '',
    '| operations | structure | tool changes | proven | median CPU ms | worst CPU ms | worst gap, % of minutes |',
    '| ---: | --- | --- | ---: | ---: | ---: | ---: |',
    ...orderRows(),
    '',
    '| operations | alternatives | what pays, median CPU ms | all break-evens, CPU ms | break-evens cut short |',
    '| ---: | --- | ---: | ---: | ---: |',
    ...choiceRows(),
    '',
    '| operations | structure | choice and order proven | gap, € | states | CPU ms | break-evens proven | CPU ms |',
    '| ---: | --- | --- | ---: | ---: | ---: | ---: | ---: |',
    ...jointRows(),
    '',
    '| model | operations | author’s minutes | best minutes | saved | proven | CPU ms |',
    '| --- | ---: | ---: | ---: | ---: | --- | ---: |',
    ...shippedModels().map(savedRow),
    '',
    '| sheet under way | steps out | planned anew, median CPU ms | 95th |',
    '| --- | ---: | ---: | ---: |',
    ...shippedModels().map(replanRow),
    ...[80, 300].map((count) => replanRow({ ...largeModel(count), name: `made up, ${count} operations` })),
  ];
}
