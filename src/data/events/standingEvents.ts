import type { Knex } from 'knex';

/** Facts that were not taken back, as `e`: what every count is made from. */
export const standingEvents = (db: Knex): Knex.QueryBuilder =>
  db('events as e').leftJoin('events as undo', 'undo.undoes', 'e.id').whereNull('undo.id').whereNot('e.type', 'undone');
