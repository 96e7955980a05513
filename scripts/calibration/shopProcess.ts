import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Model } from '@/core/procedure/model';
import { projectRoot } from '../support/home';
import type { World } from './inventedTruth';
import { liveShop, type Life } from './liveShop';
import type { Tally } from './tally';

/** The shops of one process. */
export interface ShopQuestion {
  readonly seeds: readonly number[];
  readonly world: World;
  readonly life: Life;
}

const tell = (tally: Tally): Promise<unknown> => new Promise((done) => process.send?.(tally, done));

process.once('message', (question: ShopQuestion) => void live(question));

async function live({ seeds, world, life }: ShopQuestion): Promise<void> {
  const folder = join(projectRoot, 'data', 'models');
  const models = readdirSync(folder).map((file) => JSON.parse(readFileSync(join(folder, file), 'utf8')) as Model);
  for (const seed of seeds) await tell(liveShop(seed, models, world, life));
  process.disconnect();
}
