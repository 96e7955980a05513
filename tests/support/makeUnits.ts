import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import type { Part, Unit } from '@/core/entities/entities';
import type { FactType, Payloads } from '@/core/shop/facts';
import type { Model } from '@/core/procedure/model';
import type { Acknowledged } from '@/services/facts/recordFact';
import type { Answer } from '@/ui/server/outbox';
import { bestReadings } from './bestReadings';

interface MadeUnit {
  readonly id: string;
  readonly tag: string;
}

type Act = <T extends FactType>(type: T, subjectId: string, payload: Payloads[T]) => Promise<Acknowledged>;

/** Makes facts over the application's own door, as whoever is signed in, and throws where one is refused. */
function door(page: Page, seen: readonly (Unit | Part)[] = []): Act {
  const versions = new Map<string, number>(seen.map(({ id, version }) => [id, version]));
  return async (type, subjectId, payload) => {
    const fact = {
      id: randomUUID(),
      type,
      subjectId,
      expects: versions.get(subjectId) ?? null,
      at: new Date().toISOString(),
      payload,
    };
    const { answers } = (await page.evaluate(
      async (body) => {
        const headers = { 'content-type': 'application/json' };
        return (await fetch('/api/facts', { method: 'POST', headers, body })).json();
      },
      JSON.stringify({ facts: [fact] }),
    )) as { answers: readonly Answer<Acknowledged>[] };
    const [answer] = answers;
    if (!answer?.ok) throw new Error(`${type}: ${JSON.stringify(answer)}`);
    for (const { id: thing, after } of answer.value.results) if (after) versions.set(thing, after.version);
    return answer.value;
  };
}

async function tagged(act: Act): Promise<MadeUnit> {
  const parcelId = randomUUID();
  const id = randomUUID();
  const about = { supplier: 'Test', pricePaidCents: 100, transportCents: 0, receivedOn: '2026-11-25' };
  await act('parcel-made', parcelId, { code: `Lot ${parcelId.slice(0, 8)}`, ...about });
  const { results } = await act('unit-tagged', id, { parcelId, lineNo: null });
  const unit = results.find((result) => result.id === id)?.after as Unit;
  return { id, tag: unit.tag };
}

/** A unit of its own for a test, of which nothing is known but its tag. */
export const makeUnknown = (page: Page): Promise<MadeUnit> => tagged(door(page));

async function identified(act: Act, model: Model): Promise<MadeUnit> {
  const unit = await tagged(act);
  const { id } = unit;
  await act('unit-identified', id, {
    modelId: model.id,
    modelVersion: model.version,
    revision: model.revisions[0]?.id ?? '',
    configuration: model.configurations[0]?.id ?? '',
    variant: model.variants[0]?.id ?? '',
    serial: '',
  });
  return unit;
}

/** A unit of its own for a test at Triage, of which the model is known. */
export const makeIdentified = (page: Page, model: Model): Promise<MadeUnit> => identified(door(page), model);

/** A unit of its own for a test: tagged, identified, decided and wiped, and so ready for the bench. */
export async function makeDonor(page: Page, model: Model): Promise<MadeUnit> {
  const act = door(page);
  const unit = await identified(act, model);
  await act('unit-decided', unit.id, { disposition: 'donor', proposed: 'donor', apartPlace: null });
  await act('wipe-recorded', unit.id, { method: 'device-erase' });
  return unit;
}

/** A unit that is to be built, matched with one part that came out of another: graded, put away and set aside for it. */
export async function makeBuild(page: Page, model: Model, part: Part): Promise<MadeUnit> {
  const act = door(page, [part]);
  const unit = await identified(act, model);
  await act('unit-decided', unit.id, { disposition: 'build', proposed: 'build', apartPlace: null });
  await act('part-graded', part.id, { readings: bestReadings(part) });
  await act('part-shelved', part.id, { bin: 'A01' });
  await act('part-assigned', unit.id, { slot: part.partRef, partId: part.id });
  await act('unit-matched', unit.id, {});
  return unit;
}
