import type { Knex } from 'knex';
import { listRacks } from '@/data/shelf/rackRepository';
import type { Part, Unit } from '@/core/entities/entities';
import {
  modelsMeant,
  partKindsMeant,
  readQuery,
  serialTyped,
  stepsMeant,
  type NamedModel,
  type StepMeant,
} from '@/core/find/readQuery';
import {
  findLines,
  findParcels,
  findParts,
  findPeople,
  findShipments,
  findUnits,
  type FoundLine,
  type FoundParcel,
  type FoundPerson,
  type FoundShipment,
  type Some,
} from '@/data/find/findThings';
import { sentShipments } from '@/data/send/sentShipments';
import { readTallies } from '@/data/tallies/readTallies';
import { namedModels } from '@/data/find/namedModels';

export interface FoundUnit extends Pick<Unit, 'tag' | 'stage' | 'serial' | 'apartPlace'> {
  readonly modelName: string | null;
}

export interface FoundPart extends Pick<Part, 'tag' | 'grade' | 'bin' | 'place'> {
  readonly name: string;
}

export interface FoundModel {
  readonly id: string;
  readonly name: string;
}

/** Everything in the shop that answers what was typed, by kind of thing. */
export interface Found {
  readonly text: string;
  readonly units: Some<FoundUnit>;
  readonly parts: Some<FoundPart>;
  readonly lines: Some<FoundLine>;
  readonly parcels: Some<FoundParcel>;
  readonly models: Some<FoundModel>;
  readonly steps: Some<StepMeant>;
  readonly people: Some<FoundPerson>;
  readonly shipments: Some<FoundShipment>;
}

/**
 * Finds units, parts, lines of lists, parcels, models, steps, people and shipments by any words.
 *
 * @param most  how many of each kind are given; their totals say how many there are
 */
export async function findAll(db: Knex, text: string, most: number): Promise<Found> {
  const racks = await listRacks(db);
  const query = readQuery(
    text,
    racks.map(({ code }) => code),
  );
  const serial = serialTyped(text);
  const models = await namedModels(db);
  const kinds = partKindsMeant(models, query.names);
  const [units, parts, lines, parcels, people, shipments] = await Promise.all([
    findUnits(db, query, serial, (word) => modelsMeant(models, word), most),
    findParts(db, query, kinds, most),
    findLines(db, serial, most),
    findParcels(db, query.words, most),
    findPeople(db, query.words, most),
    readTallies(db, ['sent']).then((tallies) => findShipments(sentShipments(tallies), query.words, most)),
  ]);
  const steps = stepsMeant(models, query.words);
  const named =
    query.words.length === 0
      ? []
      : models.filter(({ id }) => query.words.every((word) => modelsMeant(models, word).includes(id)));
  const nameOf = (id: string | null) => models.find((model) => model.id === id);
  return {
    text,
    units: {
      total: units.total,
      hits: units.hits.map(({ tag, stage, serial: read, apartPlace, modelId }) => ({
        tag,
        stage,
        serial: read,
        apartPlace,
        modelName: fullName(nameOf(modelId)),
      })),
    },
    parts: {
      total: parts.total,
      hits: parts.hits.map(({ tag, grade, bin, place, modelId, partRef }) => {
        const model = nameOf(modelId);
        const name = model?.parts.find(({ id }) => id === partRef)?.name ?? partRef;
        return { tag, grade, bin, place, name: `${model?.name ?? modelId} ${name}` };
      }),
    },
    lines,
    parcels,
    models: {
      total: named.length,
      hits: named.slice(0, most).map((model) => ({ id: model.id, name: fullName(model) ?? model.id })),
    },
    steps: { total: steps.length, hits: steps.slice(0, most) },
    people,
    shipments,
  };
}

const fullName = (model: NamedModel | undefined): string | null => (model ? `${model.maker} ${model.name}` : null);
