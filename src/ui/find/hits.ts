import type { Found } from '@/services/find/findAll';
import { capital } from '@/words/format';
import { placeNames, sayStage } from '@/words/say/names';
import * as words from '@/words/catalogue/find';

/** One thing that was found, as a line that leads to it. */
export interface Hit {
  readonly id: string;
  readonly title: string;
  readonly says: string;
  readonly path: string;
}

export interface HitGroup {
  readonly id: Exclude<keyof Found, 'text'>;
  readonly name: string;
  readonly total: number;
  readonly hits: readonly Hit[];
  /** Where the whole list of them is; null where what is shown is all there is to show. */
  readonly all: string | null;
}

/** What was found, by kind of thing, the kinds that have something only. */
export function hitGroups(found: Found): readonly HitGroup[] {
  const { text, units, parts, lines, parcels, models, steps, people, shipments } = found;
  const groups: readonly HitGroup[] = [
    {
      id: 'units',
      name: words.units(),
      total: units.total,
      all: null,
      hits: units.hits.map(({ tag, modelName, serial, stage, apartPlace }) => ({
        id: tag,
        title: tag,
        says: words.unitSays({
          model: modelName ?? words.notIdentified(),
          where: sayStage({ stage, apartPlace }),
          hasSerial: serial ? 'yes' : 'no',
          serial: serial ?? '',
        }),
        path: `/t/${tag}`,
      })),
    },
    {
      id: 'parts',
      name: words.parts(),
      total: parts.total,
      all: `/shelf?q=${encodeURIComponent(text)}`,
      hits: parts.hits.map(({ tag, name, grade, bin, place }) => ({
        id: tag,
        title: tag,
        says: words.partSays({
          name,
          hasGrade: grade ? 'yes' : 'no',
          grade: grade ?? '',
          where: bin ? words.inBin({ bin }) : placeNames[place],
        }),
        path: `/t/${tag}`,
      })),
    },
    {
      id: 'lines',
      name: words.lines(),
      total: lines.total,
      all: null,
      hits: lines.hits.map(({ parcelId, parcelCode, lineNo, what, serial }) => ({
        id: `${parcelId}/${lineNo}`,
        title: serial,
        says: words.lineSays({ what, line: lineNo, parcel: parcelCode }),
        path: `/dock?parcel=${parcelId}`,
      })),
    },
    {
      id: 'parcels',
      name: words.parcels(),
      total: parcels.total,
      all: null,
      hits: parcels.hits.map(({ id, code, supplier }) => ({
        id,
        title: code,
        says: supplier,
        path: `/dock?parcel=${id}`,
      })),
    },
    {
      id: 'models',
      name: words.models(),
      total: models.total,
      all: null,
      hits: models.hits.map(({ id, name }) => ({ id, title: name, says: words.modelSays(), path: `/models/${id}` })),
    },
    {
      id: 'steps',
      name: words.steps(),
      total: steps.total,
      all: null,
      hits: steps.hits.map(({ modelId, modelName, stepId, title }) => ({
        id: `${modelId}/${stepId}`,
        title,
        says: modelName,
        path: `/models/${modelId}`,
      })),
    },
    {
      id: 'people',
      name: words.people(),
      total: people.total,
      all: null,
      hits: people.hits.map(({ id, name }) => ({
        id,
        title: name,
        says: words.personSays(),
        path: `/history?person=${id}`,
      })),
    },
    {
      id: 'shipments',
      name: words.shipments(),
      total: shipments.total,
      all: null,
      hits: shipments.hits.map(({ tag, recipient }) => ({
        id: tag,
        title: tag,
        says: words.shipmentSays({ recipient }),
        path: `/t/${tag}`,
      })),
    },
  ];
  return groups.filter(({ hits }) => hits.length > 0);
}

export const sayTotal = ({ name, total }: Pick<HitGroup, 'name' | 'total'>): string =>
  words.groupTotal({ name: capital(name), total });
