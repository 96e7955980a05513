import { formatTag } from '@/core/shared/tags';
import type { Model } from '@/core/procedure/model';
import type { Bin } from '@/core/shelf/racks';
import type { DemoBench } from './demoBench';
import { conditionFor, decide } from './decisions';
import {
  gradeAll,
  identify,
  lookOver,
  matchUnit,
  prove,
  release,
  shelveAll,
  startRebuild,
  startTeardown,
  workSheet,
} from './stages';

const unitCount = 36;

/** The earlier parcel: donors first, so that the builds find parts; then all that can be sold is sent. */
export async function playSummerLot(bench: DemoBench, bins: readonly Bin[]): Promise<void> {
  const { chance } = bench;
  const parcelId = chance.uuid();
  const receivedOn = bench.clock.pass(0).toISOString().slice(0, 10);
  await bench.fact(
    'parcel-made',
    parcelId,
    {
      code: 'Library, summer lot',
      supplier: 'Saltreach Lending Library',
      pricePaidCents: 64000,
      transportCents: 3800,
      receivedOn,
    },
    5,
  );
  const units: { id: string; isDonor: boolean }[] = [];
  for (let index = 0; index < unitCount; index += 1) {
    const id = chance.uuid();
    await bench.fact('unit-tagged', id, { parcelId, lineNo: null }, 1);
    units.push({ id, isDonor: index % 9 < 5 });
  }
  const shipped: string[] = [];
  let shipments = 0;
  for (const [index, { id, isDonor }] of units.entries()) {
    const model = bench.models[index % 3] as Model;
    bench.turn();
    await identify(bench, id, model, `${model.id.slice(0, 2).toUpperCase()}${200000 + index * 37}`);
    await lookOver(bench, id, await conditionFor(bench, id, isDonor ? 'donor' : 'build'), model.tests);
    const decided = await decide(bench, id);
    if (decided === 'donor') {
      await startTeardown(bench, id);
      await workSheet(bench, id);
      await storeParts(bench, bins);
    } else if (decided === 'build' && (await matchUnit(bench, id))) {
      await startRebuild(bench, id);
      await workSheet(bench, id);
      await storeParts(bench, bins);
      await prove(bench, id);
      await release(bench, id);
      shipped.push(id);
    }
    bench.clock.pass(150);
    if (shipped.length === 4) await send(bench, (shipments += 1), shipped.splice(0));
  }
  await send(bench, shipments + 1, shipped);
}

async function storeParts(bench: DemoBench, bins: readonly Bin[]): Promise<void> {
  await gradeAll(bench);
  await shelveAll(bench, bins);
}

async function send(bench: DemoBench, number: number, ids: readonly string[]): Promise<void> {
  bench.turn();
  const shipment = formatTag('S', number);
  for (const id of ids) await bench.fact('unit-sent', id, { shipment, recipient: 'Harbour Row shop' }, 2);
}
