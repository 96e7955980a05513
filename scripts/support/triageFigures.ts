import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Model } from '@/core/procedure/model';
import { Chance } from '@/core/shared/chance';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { readManifest } from '@/core/intake/readManifest';
import { knowledgeFor } from '@/core/triage/knowledge';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import { proposeDisposition } from '@/core/triage/proposeDisposition';
import { readTable } from '@/files/readTable';
import { projectRoot } from './home';
import { inventParcel, inventShop } from '../calibration/inventedTruth';
import { ShopLog } from '../calibration/shopLog';

const shipped = (): readonly Model[] => {
  const folder = join(projectRoot, 'data', 'models');
  return readdirSync(folder).map((file) => JSON.parse(readFileSync(join(folder, file), 'utf8')) as Model);
};

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
      const truth = inventShop([model], { name: 'marked', alike: null, marked: 0.12, shelved: 1 }, chance);
      const known = knowledgeFor(shopKnowledge(new ShopLog().ground(truth.shelf), rules), model.id);
      const market = Object.fromEntries(
        Array.from({ length: 5000 }, (_, at) => [`class-${at}`, { stock: 1, usedPerMonth: 1 }]),
      );
      for (const { subject } of inventParcel(truth, 8, chance)) {
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
  ];
}
