import { partCategories } from '@/core/procedure/vocabulary';
import { gradePart } from '@/core/grading/gradePart';
import { previewShelf, type Shelved } from '@/core/rules/previewRules';
import { Chance } from '@/core/shared/chance';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { readBatteryLog } from '@/files/readBatteryLog';
import { inventReadings } from '../demo/readings';

/** A battery log of so many lines, irregular, by commas, as an analyser writes them. */
function logBytes(lines: number): Uint8Array {
  const chance = new Chance(18);
  const rows = ['Time (s);Voltage (V);Current (A);Temp (°C)'];
  let s = 0;
  for (let at = 0; at < lines; at += 1) {
    const share = at / lines;
    const volt = 4.1 - 0.6 * share - 0.55 * share ** 12 - 0.002 * chance.next();
    rows.push([s.toFixed(1), volt.toFixed(4), '-1,9500', '24,1'].join(';').replaceAll('.', ','));
    s += 0.02 + 0.02 * chance.next();
  }
  return new TextEncoder().encode(rows.join('\n'));
}

/** Parts as a large shelf holds them. */
function largeShelf(count: number): readonly Shelved[] {
  const chance = new Chance(7);
  const valueCents = { A: 1900, B: 1500, C: 900, D: 300 };
  return Array.from({ length: count }, (_, at) => {
    const category = partCategories[at % partCategories.length] as (typeof partCategories)[number];
    const asked = { category, interchange: 'any', findings: [] };
    const readings = inventReadings(asked, chance);
    const judged = gradePart(asked, readings, rules);
    const part = { tag: `P-${at}`, ...asked, readings, grade: judged.ok ? judged.value.grade : null };
    return { part, name: category, valueCents };
  });
}

const timed = (work: () => void): number => {
  const since = performance.now();
  work();
  return performance.now() - since;
};

/** What grading takes: reading a long log, and the grades that other rules would give a large shelf. */
export function gradeFigures(): readonly string[] {
  const lines = 200_000;
  const bytes = logBytes(lines);
  const logMs = timed(() => {
    const read = readBatteryLog({ bytes, ratedAmpHours: 3.9, cutOffVolt: 3 });
    if (!read.ok) throw new Error(read.refusal.reason);
  });
  const count = 100_000;
  const shelf = largeShelf(count);
  const moved = { ...rules.gradingLimits, cycles: { A: 100, B: 300, C: 600, D: 900 } };
  let turned = 0;
  const previewMs = timed(() => {
    turned = previewShelf(rules, { ...rules, gradingLimits: moved }, shelf).turns.length;
  });
  return [
    `A battery log of ${lines} samples (${(bytes.length / 1e6).toFixed(1)} MB) is read and counted in ${Math.round(logMs)} ms.`,
    `Other limits for ${count} parts on the shelf: ${turned} would be regraded, worked out in ${Math.round(previewMs)} ms.`,
  ];
}
