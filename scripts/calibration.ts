import { fork } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { calibrationTables } from './calibration/figures';
import type { World } from './calibration/inventedTruth';
import { usualLife } from './calibration/liveShop';
import type { ShopQuestion } from './calibration/shopProcess';
import { emptyTally, together, type Tally } from './calibration/tally';
import { projectRoot } from './support/home';
import { say } from './support/say';

const usualShops = 200;

/** From a world that is as the sums take it to ones that are harder on them. */
const worlds: readonly World[] = [
  {
    name: 'as the sums take it: suppliers alike, one unit in ten with each kind of damage',
    alike: null,
    marked: 0.1,
    shelved: 1,
  },
  { name: 'bare shelves: three of four parts are bought', alike: null, marked: 0.1, shelved: 0.25 },
  { name: 'suppliers differ: a parcel’s own shares stray as if from twenty units', alike: 20, marked: 0.1, shelved: 1 },
];

/** Lives many shops on all cores and adds them up. */
async function live(world: World, shops: number): Promise<Tally> {
  const processes = Math.min(shops, availableParallelism());
  const tallies = await Promise.all(
    Array.from({ length: processes }, (_, own) => {
      const seeds = Array.from({ length: shops }, (_seed, at) => at + 1).filter((seed) => seed % processes === own);
      return lifeOf({ seeds, world, life: usualLife });
    }),
  );
  return tallies.flat().reduce(together, emptyTally);
}

const lifeOf = (question: ShopQuestion): Promise<readonly Tally[]> =>
  new Promise((done, failed) => {
    const tallies: Tally[] = [];
    // Run as this one is: tsx does not read worker threads.
    const child = fork(join(projectRoot, 'scripts', 'calibration', 'shopProcess.ts'), { execArgv: process.execArgv });
    child.on('message', (tally) => tallies.push(tally as Tally));
    child.on('error', failed);
    child.on('exit', (code) => (code === 0 ? done(tallies) : failed(new Error(`a process ended with ${code}`))));
    child.send(question);
  });

/** `npm run calibration [shops] [world, 1 to 3]`: how often what the application says comes true, and what following it earns. */
async function main(): Promise<void> {
  const shops = Number(process.argv[2] ?? usualShops);
  if (!Number.isInteger(shops) || shops < 1) throw new Error('How many shops? A whole number, 1 or more.');
  const only = process.argv[3];
  const lived = worlds.filter((_, at) => only === undefined || only === String(at + 1));
  if (lived.length === 0) throw new Error(`Which world? A number from 1 to ${worlds.length}, or none for all.`);
  for (const world of lived) {
    say(`\n## ${world.name}\n`);
    say(calibrationTables(await live(world, shops)).join('\n'));
  }
}

void main();
