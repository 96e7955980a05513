import { doersOf } from '@/data/facts/doers';
import { isAtLeastRole, type Role } from '@/core/people/roles';
import { withoutSecrets } from '@/core/reading/withoutSecrets';
import { stringify } from 'csv-stringify/sync';
import type { Knex } from 'knex';
import type { HistoryQuery } from '@/core/shop/historyQuery';
import { filterOf } from '@/data/facts/factFilter';
import { factRowsAfter } from '@/data/facts/factRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';

const columns = [
  'position',
  'id',
  'type',
  'at',
  'received',
  'clock_off_s',
  'person',
  'bench',
  'unit',
  'part',
  'model',
  'part_ref',
  'undoes',
  'payload',
];
const chunk = 500;

/** The log as CSV text, some lines at a time. A list that was read counts as one fact; its lines are in the payload. Who only looks on gets no money and no serials. */
export async function* exportFacts(
  db: Knex,
  query: HistoryQuery = {},
  role: Role = 'lead',
): AsyncGenerator<string, undefined> {
  const shown = isAtLeastRole(role, 'technician') ? (payload: unknown) => payload : withoutSecrets;
  const filter = filterOf(query, (await currentRules(db)).shop.timeZone);
  yield stringify([columns]);
  for (let after = 0; ;) {
    const rows = await factRowsAfter(db, after, chunk, filter);
    if (rows.length === 0) return undefined;
    after = rows.at(-1)?.position ?? after;
    const doers = await doersOf(
      db,
      rows.map(({ id }) => id),
    );
    yield stringify(
      rows.map((row) => [
        row.position,
        row.id,
        row.type,
        row.client_at.toISOString(),
        row.server_at.toISOString(),
        row.clock_off_s,
        doers.get(row.id) ?? row.person_id,
        row.bench,
        row.unit_id,
        row.part_id,
        row.model_id,
        row.part_ref,
        row.undoes,
        JSON.stringify(shown(row.payload)),
      ]),
    );
  }
}
