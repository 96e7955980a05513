import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { Bin } from '@/core/shelf/racks';
import type { ManifestLine } from '@/core/intake/readManifest';
import type { DemoBench } from './demoBench';
import { conditionFor, decide, type Condition } from './decisions';
import {
  canBeMatched,
  gradeAll,
  identify,
  lookOver,
  matchUnit,
  neededSlots,
  prove,
  release,
  shelveAll,
  startRebuild,
  startTeardown,
  workSheet,
} from './stages';

const fine: Condition = { marks: [], faults: [] };

/** How far each of the 24 units has come; the manifest's lines beyond them are still in the box. */
const fates = [
  'sent',
  'sent',
  'spent',
  'spent',
  'sent',
  'send',
  'send',
  'prove',
  'prove',
  'prove',
  'rebuild',
  'rebuild',
  'match',
  'match',
  'match',
  'teardown-midway',
  'teardown-begun',
  'teardown-new',
  'locked',
  'recycled',
  'decide',
  'tests',
  'identified',
  'new',
] as const;
type Fate = (typeof fates)[number];

/** The demo parcel: read from the shipped manifest, with a unit at every stage of the line. */
export async function playAutumnLot(
  bench: DemoBench,
  bins: readonly Bin[],
  lines: readonly ManifestLine[],
): Promise<void> {
  const { chance } = bench;
  const parcelId = chance.uuid();
  const receivedOn = bench.clock.pass(0).toISOString().slice(0, 10);
  await bench.fact(
    'parcel-made',
    parcelId,
    {
      code: 'Ferry line, autumn lot',
      supplier: 'Northreach Ferries',
      pricePaidCents: 86000,
      transportCents: 4200,
      receivedOn,
    },
    5,
  );
  await bench.fact('lines-expected', parcelId, { fileName: 'manifest.csv', lines }, 4);
  for (const [index, fate] of fates.entries()) {
    const line = lines[index] as ManifestLine;
    const id = chance.uuid();
    bench.turn();
    await bench.fact('unit-tagged', id, { parcelId, lineNo: line.lineNo }, 0.5);
    const model = bench.models.find(({ name }) => name === line.model) as Model;
    await play(bench, bins, id, fate, model, line.serial);
  }
}

async function play(
  bench: DemoBench,
  bins: readonly Bin[],
  id: string,
  fate: Fate,
  model: Model,
  serial: string,
): Promise<void> {
  if (fate === 'new') return;
  await identify(bench, id, model, serial);
  if (fate === 'identified') return;
  if (fate === 'tests') return lookOver(bench, id, { marks: ['dent'], faults: [] }, model.tests.slice(0, 3));
  if (fate === 'locked') {
    await lookOver(bench, id, { marks: [], faults: ['account-lock'] }, model.tests);
    await decide(bench, id, 'quarantine');
    return;
  }
  if (fate === 'recycled') {
    await lookOver(bench, id, { marks: ['crack', 'liquid'], faults: ['starts', 'charges'] }, model.tests);
    await decide(bench, id, 'recycle');
    return;
  }
  if (fate === 'decide') return lookOver(bench, id, { marks: ['crack'], faults: ['picture'] }, model.tests);
  if (fate === 'spent' || fate.startsWith('teardown')) return playDonor(bench, bins, id, fate, model);
  return playBuild(bench, bins, id, fate, model);
}

async function playDonor(bench: DemoBench, bins: readonly Bin[], id: string, fate: Fate, model: Model): Promise<void> {
  await lookOver(bench, id, await conditionFor(bench, id, 'donor'), model.tests);
  await decide(bench, id, 'donor');
  if (fate === 'teardown-new') return;
  await startTeardown(bench, id);
  if (fate === 'teardown-begun') return workSheet(bench, id, 3);
  if (fate === 'teardown-midway') return workSheet(bench, id, 8);
  await workSheet(bench, id);
  await gradeAll(bench, 5);
  await shelveAll(bench, bins, 3);
}

async function playBuild(bench: DemoBench, bins: readonly Bin[], id: string, fate: Fate, model: Model): Promise<void> {
  // Where a unit waits for a part, or has one built in, it needs one.
  const isFit = (unit: Unit) =>
    (fate === 'match' || canBeMatched(bench, unit)) &&
    (!['match', 'rebuild'].includes(fate) || neededSlots(bench, unit).length > 0);
  const wanting = fate === 'prove' ? fine : await conditionFor(bench, id, 'build', isFit);
  await lookOver(bench, id, wanting, model.tests);
  await decide(bench, id, 'build');
  if (fate === 'match') return;
  if (!(await matchUnit(bench, id))) return;
  if (fate === 'rebuild') {
    await startRebuild(bench, id);
    return workSheet(bench, id, 6);
  }
  await startRebuild(bench, id);
  await workSheet(bench, id);
  await gradeAll(bench, 5);
  await shelveAll(bench, bins, 3);
  if (fate === 'prove') return prove(bench, id, Math.floor(bench.chance.between(0, 6)));
  await prove(bench, id);
  await release(bench, id);
  if (fate === 'sent') await bench.fact('unit-sent', id, { shipment: 'S-0010', recipient: 'Harbour Row shop' }, 3);
}
