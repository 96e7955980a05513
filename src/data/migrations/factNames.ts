import type { Knex } from 'knex';

/** Facts were called events once: columns and the log's own JSON take the one name, nothing else changes. */
export const versionedTables = ['parcels', 'parcel_lines', 'units', 'parts'] as const;

export const lastFactOf = (db: Knex, table: (typeof versionedTables)[number]) =>
  db.raw('alter table ?? rename column last_event_id to last_fact_id', [table]);

export const factOfLabelJobs = (db: Knex) => db.raw('alter table label_jobs rename column event_id to fact_id');

export const undoneNamesItsFact = (db: Knex) =>
  db('facts')
    .where({ type: 'undone' })
    .update({ payload: db.raw("json_object('factId', json_value(payload, '$.eventId'))") });

/** The name stands only as a key of the recorded things: no text a person wrote holds it in quotes with a colon. */
export const touchedNamesItsFact = (db: Knex) =>
  db('facts').update({ touched: db.raw(`replace(touched, '"lastEventId":', '"lastFactId":')`) });
