import { changeRules } from '@/services/rules/changeRules';
import { startingHouseRules } from '@/core/shared/houseRules';
import type { Knex } from 'knex';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Person } from '@/core/people/roles';
import type { Model } from '@/core/procedure/model';
import { markPrinted, waitingLabels } from '@/data/labels/labelJobs';
import { newestModels } from '@/data/models/modelRepository';
import { binsInUse } from '@/core/shelf/racks';
import { listRacks } from '@/data/shelf/rackRepository';
import { previewManifest } from '@/services/dock/previewManifest';
import { addPerson } from '@/services/people/addPerson';
import { noteAnswers } from '@/services/rehearsals/noteAnswers';
import { readyWorkers } from '../support/buildWorkers';
import { projectRoot } from '../support/home';
import { takeShippedModels } from '@/services/models/takeShippedModels';
import { Chance } from '@/core/shared/chance';
import { DemoBench } from './demoBench';
import { demoPeople } from './people';
import { playAutumnLot } from './autumnLot';
import { publishLearned } from './publishLearned';
import { tellShelfStory } from './shelfStory';
import { lookAgain } from './stages';
import { playSummerLot } from './summerLot';
import { beginUnfinished } from './unfinished';
import { Workday } from './workday';

const day = 24 * 3600 * 1000;

/** What came in the two parcels. */
const lotModels = ['oddkin-lantern-5', 'brinewell-reed-2', 'marrowby-slate-quay'];

/**
 * Loads the workshop Gullwharf Renewal: an earlier parcel that has gone through, and one of 24 units with something at
 * every stage. Every fact goes through the same service as at the bench, so that yields and charts are computed and
 * not written.
 */
export async function loadDemo(db: Knex, now: Date): Promise<void> {
  await readyWorkers();
  await changeRules(
    db,
    {
      ...startingHouseRules,
      shop: { ...startingHouseRules.shop, name: 'Gullwharf Renewal', timeZone: 'Europe/Dublin' },
      fixtures: { clamp: 4, 'hot plate': 2, charger: 6, analyser: 1 },
    },
    { at: new Date(now.getTime() - 40 * day), by: null },
  );
  await takeShippedModels(db, { at: new Date(now.getTime() - 40 * day), by: '' });
  const people: Person[] = [];
  for (const person of demoPeople) {
    const added = await addPerson(db, person);
    if (!added.ok) throw new Error(`loadDemo: there is a ${person.name} already`);
    people.push({
      id: added.value.id,
      name: person.name,
      role: person.role,
      bench: people.length % 2 === 0 ? 'bench-1' : 'bench-2',
    });
  }
  await rehearseCertified(db, people, now);
  const workers = people.filter(({ role }) => role !== 'viewer');
  const shipped = await newestModels(db);
  const models = lotModels.map((id) => shipped.find((model) => model.id === id) as Model);
  const bins = binsInUse(await listRacks(db));
  const clock = new Workday(new Date(now.getTime() - 26 * day), new Date(now.getTime() - 4 * 60_000));
  const bench = new DemoBench(db, workers, models, new Chance(20261127), clock);
  clock.jumpTo(new Date(now.getTime() - 26 * day));

  await playSummerLot(bench, bins);
  bench.models = [await publishLearned(db, models, new Date(now.getTime() - 5 * day)), ...models];
  clock.jumpTo(new Date(now.getTime() - 4 * day));
  const manifest = await previewManifest(db, readFileSync(join(projectRoot, 'data', 'demo', 'manifest.csv')));
  if (!manifest.ok || !manifest.value.read.ok) throw new Error('demo: the manifest cannot be read');
  await lookAgain(bench, 24);
  await playAutumnLot(bench, bins, manifest.value.read.value.lines);
  const lead = people.find(({ role }) => role === 'lead');
  await tellShelfStory(db, bench, lead?.id ?? '', now);
  await printOldLabels(db, now);
  await beginUnfinished(db, bench.chance, now);
  await forgetOne(db, people, now);
}

const certifiedOf = ({ operations }: Model) => operations.filter(({ needsCertificate }) => needsCertificate);

/** Whoever works on steps for certified people has rehearsed them. */
async function rehearseCertified(db: Knex, people: readonly Person[], now: Date): Promise<void> {
  for (const model of await newestModels(db)) {
    const answers = certifiedOf(model).flatMap(({ id }) =>
      ['order', 'tool'].map((skill) => ({ item: `${skill}:${id}`, isRight: true })),
    );
    for (const { id: personId, role } of people)
      if (role !== 'viewer' && answers.length > 0)
        await noteAnswers(db, { personId, modelId: model.id }, answers, new Date(now.getTime() - 30 * day));
  }
}

/** One was wrong since, and is asked to rehearse before the next such step. */
async function forgetOne(db: Knex, people: readonly Person[], now: Date): Promise<void> {
  const oskar = people.find(({ name }) => name === 'Oskar V.');
  for (const model of await newestModels(db))
    for (const { id } of certifiedOf(model))
      if (oskar)
        await noteAnswers(
          db,
          { personId: oskar.id, modelId: model.id },
          [{ item: `order:${id}`, isRight: false }],
          new Date(now.getTime() - 3 * day),
        );
}

/** All but the last few labels came out of the printer long ago. */
async function printOldLabels(db: Knex, now: Date): Promise<void> {
  const left = 5;
  const jobs = await waitingLabels(db, 100_000);
  await markPrinted(
    db,
    jobs.slice(0, -left).map(({ id }) => id),
    now,
  );
}
