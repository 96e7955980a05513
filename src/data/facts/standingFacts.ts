import type { Knex } from 'knex';

/** Facts that were not taken back, as `e`: what every count is made from. */
export const standingFacts = (db: Knex): Knex.QueryBuilder =>
  db('facts as e').leftJoin('facts as undo', 'undo.undoes', 'e.id').whereNull('undo.id').whereNot('e.type', 'undone');
