import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { Chance } from '@/core/shared/chance';
import { after, operation, smallModel } from './models';

const tools = ['Hands', 'pick', 'driver', 'tweezers'];
const faces = ['top', 'under'];

/**
 * A model that nobody wrote, the same for the same seed: alternatives, tools, turns, obstruction, waits, ends, joints that
 * resist, parts that break on the way, two that are bound to each other.
 */
export function madeUpModel(seed: number, count = 12): Model {
  const chance = new Chance(seed);
  const one = <T>(items: readonly T[]): T => items[Math.floor(chance.next() * items.length)] as T;
  const before = (at: number) => `o${Math.floor(chance.next() * at)}`;
  const part = () => `p${Math.floor(chance.next() * count)}`;
  const minutesOf = (most: number) => {
    const likely = chance.between(0.1, most);
    return { low: likely / 2, likely, high: likely * 2 };
  };
  const operations = Array.from({ length: count }, (_, at): Operation => {
    const minutes = minutesOf(2);
    const fails = chance.between(0.05, 0.3);
    return operation(`o${at}`, {
      minutes,
      tool: one(tools),
      face: one(faces),
      frees: chance.happens(0.7) ? [`p${at}`] : [],
      after: at === 0 ? [] : [after(before(at)), ...(chance.happens(0.3) ? [after(before(at), before(at))] : [])],
      ...(chance.happens(0.3) && { risks: [{ part: part(), chance: chance.between(0.02, 0.4), what: 'breaks' }] }),
      ...(chance.happens(0.2) && { slowWhile: [{ part: part(), factor: 1.5, because: 'It is in the way.' }] }),
      ...(chance.happens(0.15) && {
        waits: [{ minutes: chance.between(1, 4), fixture: one(['bench', 'hot plate']), what: 'it softens' }],
      }),
      ...(chance.happens(0.2) && {
        ends: [
          { id: 'comes', says: 'it comes', chance: 1 - fails },
          { id: 'stays', says: 'it stays', chance: fails, minutes: minutesOf(4) },
        ],
      }),
      ...(chance.happens(0.25) && {
        ladder: {
          stop: 'Leave it.',
          rungs: [
            { says: 'warmer', minutes: 1, mostMinutes: 2, breakage: 0.02 },
            {
              says: 'solvent',
              minutes: 2,
              mostMinutes: 4,
              breakage: 0.05,
              consumable: { name: 'solvent', count: 1, unitCents: 20 },
            },
          ],
        },
      }),
    });
  });
  const written = smallModel(operations, { revisions: [{ id: 'a', tell: 'none other' }], configurations: [] });
  const [first, second] = written.parts;
  return {
    ...written,
    parts: written.parts.map((own) => {
      const worth = Math.round(chance.between(20, 600));
      return {
        ...own,
        valueCents: { A: worth * 2, B: worth, C: Math.round(worth / 2), D: Math.round(worth / 4) },
        ...(own === first && second && { boundTo: second.id }),
        ...(own === second && first && { boundTo: first.id }),
      };
    }),
  };
}
