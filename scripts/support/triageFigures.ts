import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Disposition } from '@/core/entities/stages';
import type { Model } from '@/core/procedure/model';
import { Chance } from '@/core/shared/chance';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { readManifest } from '@/core/intake/readManifest';
import { proposeDisposition } from '@/core/triage/proposeDisposition';
import { readTable } from '@/files/readTable';
import { projectRoot } from './home';
import { inventTruth, inventUnit, learn, realMoney, type TrueUnit } from './triageWorld';

const unitsEach = 60;
/** Each choice is carried out so often, so that luck does not decide between policies. */
const lives = 10;

const shipped = (): readonly Model[] => {
  const folder = join(projectRoot, 'data', 'models');
  return readdirSync(folder).map((file) => JSON.parse(readFileSync(join(folder, file), 'utf8')) as Model);
};

type Policy = (unit: TrueUnit, proposed: Disposition) => Disposition;

const policies: readonly (readonly [name: string, policy: Policy])[] = [
  ['the proposals', (_, proposed) => proposed],
  ['everything built', () => 'build'],
  ['everything for parts', () => 'donor'],
  [
    'by looks: broken or dead for parts, the rest built',
    ({ subject }) =>
      subject.tests.starts === 'fault' || subject.marks.some(({ kind }) => kind === 'crack' || kind === 'liquid')
        ? 'donor'
        : 'build',
  ],
];

/** Units of a known truth, decided by several policies: what each earns, and how often the stated ranges held. */
function moneyRows(sought: number): readonly string[] {
  const chance = new Chance(sought + 11);
  const earned = policies.map(() => 0);
  let [held, judged, units] = [0, 0, 0];
  for (const model of shipped()) {
    const truth = inventTruth(model, chance);
    const known = learn(truth, sought, chance);
    for (let at = 0; at < unitsEach; at += 1) {
      const unit = inventUnit(truth, chance);
      const [first] = proposeDisposition(model, unit.subject, known, rules).valued;
      const proposed = first?.disposition ?? 'recycle';
      units += 1;
      policies.forEach(([, policy], index) => {
        const choice = policy(unit, proposed);
        for (let life = 0; life < lives; life += 1) {
          const money = realMoney(unit, choice, known, rules, chance);
          earned[index] = (earned[index] as number) + money / lives;
          if (index === 0 && first && life === 0 && (choice === 'build' || choice === 'donor')) {
            judged += 1;
            if (money >= first.lowCents && money <= first.highCents) held += 1;
          }
        }
      });
    }
  }
  return policies.map(
    ([name], index) =>
      `| ${sought} | ${name} | ${((earned[index] as number) / units / 100).toFixed(2)} | ${index === 0 ? `${held} of ${judged} (${Math.round((100 * held) / judged)} %)` : ''} |`,
  );
}

/** A list of ten thousand lines, read and checked. */
function manifestMs(): number {
  const lines = Array.from(
    { length: 10_000 },
    (_, at) => `${at + 1};Oddkin;"Lantern 5";OL${100000 + at};"keys; sticky"`,
  );
  const bytes = new TextEncoder().encode(['Line;Maker;Model;Serial;Condition', ...lines].join('\n'));
  const since = performance.now();
  const table = readTable(bytes);
  if (!table.ok || !readManifest(table.value.rows, new Set()).ok) throw new Error('the list was not read');
  return performance.now() - since;
}

/** One proposal after the other, for every shipped model with one thing wrong, with five thousand parts in stock. */
function proposalMs(): readonly number[] {
  const chance = new Chance(3);
  const times: number[] = [];
  for (let round = 0; round < 3; round += 1) {
    for (const model of shipped()) {
      const truth = inventTruth(model, chance);
      const known = learn(truth, 20, chance);
      const market = Object.fromEntries(
        Array.from({ length: 5000 }, (_, at) => [`class-${at}`, { stock: 1, usedPerMonth: 1 }]),
      );
      for (let at = 0; at < 8; at += 1) {
        const { subject } = inventUnit(truth, chance);
        const since = performance.now();
        proposeDisposition(model, subject, { ...known, market }, rules);
        if (round > 0) times.push(performance.now() - since);
      }
    }
  }
  return times.sort((a, b) => a - b);
}

/** The figures of dock and triage as tables. */
export function triageFigures(): readonly string[] {
  manifestMs();
  const proposals = proposalMs();
  const at = (share: number) => (proposals[Math.floor(share * proposals.length)] ?? Number.NaN).toFixed(1);
  return [
    `A list of 10,000 lines, read, checked and told row by row: ${manifestMs().toFixed(0)} ms.`,
    '',
    `A proposal with its arithmetic, range and turning point: median ${at(0.5)} ms, p95 ${at(0.95)} ms.`,
    '',
    `Made-up truths for all shipped models, ${unitsEach} units of each, every choice carried out ${lives} times:`,
    '',
    '| parts of each kind seen before | decided by | money a unit | stated 80 % ranges that held |',
    '| ---: | --- | ---: | ---: |',
    ...[4, 20, 100].flatMap((sought) => moneyRows(sought)),
  ];
}
