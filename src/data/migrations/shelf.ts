import type { Knex } from 'knex';

/**
 * For whom a part is kept, and since when it lies where it does; of what lies there already, since it was last shelved as far as
 * the log still tells.
 */
export const reservedParts = (db: Knex) =>
  db.raw(
    `alter table parts add column reserved_for varchar(60) null,
     add column stored_at varchar(24) character set ascii collate ascii_bin null`,
  );

export const storedBefore = (db: Knex) =>
  db.raw(
    `update parts p join (
       select f.part_id, max(e.client_at) at from fact_parts f join facts e on e.position = f.position
       where e.type = 'part-shelved' group by f.part_id) s on s.part_id = p.id
     set p.stored_at = date_format(s.at, '%Y-%m-%dT%H:%i:%s.000Z') where p.place in ('shelf', 'assigned')`,
  );

/** The shelf in each order that it is looked at, with all that it is filtered by: a page is read from one of these alone. */
export const shelfOrders = (db: Knex) =>
  db.raw(
    `alter table parts drop index parts_shelf,
     add index parts_shelf (place, bin, tag_no, category, part_ref, model_id, interchange, grade, stored_at, words),
     add index parts_by_kind (place, category, part_ref, model_id, grade, tag_no, bin, interchange, stored_at, words),
     add index parts_by_grade (place, grade, category, part_ref, tag_no, bin, model_id, interchange, stored_at, words),
     add index parts_by_age (place, stored_at, tag_no, category, part_ref, model_id, interchange, grade, bin, words)`,
  );

/** When cells on the shelf are due; of those that lie there already nobody read the voltage: ninety days. */
export const dueCells = (db: Knex) =>
  db.raw(
    `alter table parts add column due_at varchar(24) character set ascii collate ascii_bin null,
     add index parts_due (place, due_at)`,
  );

export const dueBefore = (db: Knex) =>
  db.raw(
    `update parts set due_at = concat(
       date_format(date_add(str_to_date(left(stored_at, 19), '%Y-%m-%dT%H:%i:%s'), interval 90 day), '%Y-%m-%dT%H:%i:%s'), '.000Z')
     where place = 'shelf' and category = 'battery' and stored_at is not null`,
  );

/** Cells that are charged and run down by themselves, and when each is done. */
export const conditionedCells = (db: Knex) =>
  db.raw(
    `alter table parts add column conditioning json null,
     add column conditioned_at varchar(24) character set ascii collate ascii_bin null,
     add index parts_conditioned (conditioned_at)`,
  );

/** Parts that came out of no unit here. */
export const boughtParts = (db: Knex) =>
  db.raw(
    `alter table parts add column bought json null,
     add column is_bought boolean not null default 0,
     add index parts_bought (is_bought, id)`,
  );

/** What is known of a supply: how many there were when somebody counted, and what came since. */
export const supplies = (schema: Knex.SchemaBuilder) =>
  schema.createTable('supplies', (table) => {
    table.specificType('key', 'varchar(160) character set utf8mb4 collate utf8mb4_bin').primary();
    table.integer('counted').unsigned().nullable();
    table.specificType('counted_at', 'varchar(24) character set ascii').nullable();
    table.integer('used_then').unsigned().notNullable();
    table.integer('received').unsigned().notNullable();
    table.integer('lead_days').unsigned().notNullable();
    table.integer('version').unsigned().notNullable();
  });

/** Something more is counted: the whole shop is counted anew by whoever reads first. */
export const countAnew = async (db: Knex): Promise<void> => {
  await db('tallies').delete();
  await db('unit_tallies').delete();
  await db('tallied').update({ generation: 0, next_to: '', begun_at: null });
};
