import type { Knex } from 'knex';

/** Keys by which instruments speak to a bench, what somebody waits for there, and what instruments said of late. */
export const instrumentKeys = (schema: Knex.SchemaBuilder) =>
  schema.createTable('instrument_keys', (table) => {
    table.specificType('id', 'char(36) character set ascii collate ascii_bin').primary();
    table.string('name', 60).notNullable();
    table.specificType('bench', 'varchar(36) character set utf8mb4 collate utf8mb4_bin').notNullable();
    table.specificType('digest', 'char(64) character set ascii collate ascii_bin').notNullable().unique();
    table.specificType('made_by', 'char(36) character set ascii collate ascii_bin').notNullable();
    table.specificType('made_at', 'datetime(3)').notNullable();
    table.specificType('revoked_at', 'datetime(3)').nullable();
    table.index(['bench', 'made_at']);
  });

export const benchWaits = (schema: Knex.SchemaBuilder) =>
  schema.createTable('bench_waits', (table) => {
    table.specificType('bench', 'varchar(36) character set utf8mb4 collate utf8mb4_bin').primary();
    table.json('waits').notNullable();
    table.specificType('said_at', 'datetime(3)').notNullable();
  });

export const instrumentReadings = (schema: Knex.SchemaBuilder) =>
  schema.createTable('instrument_readings', (table) => {
    table.bigIncrements('no');
    table.specificType('id', 'char(36) character set ascii collate ascii_bin').notNullable().unique();
    table.specificType('bench', 'varchar(36) character set utf8mb4 collate utf8mb4_bin').notNullable();
    table.json('message').notNullable();
    table.json('became').notNullable();
    table.specificType('received_at', 'datetime(3)').notNullable();
    table.index(['bench', 'no']);
    table.index(['received_at']);
  });

/** Which printer has a label before it, so that two of them do not print it both. */
export const takenLabels = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('label_jobs', (table) => {
    table.specificType('taken_by', 'char(36) character set ascii collate ascii_bin').nullable();
    table.specificType('taken_at', 'datetime(3)').nullable();
  });

/** When each label printer asked last, and what is wrong with it. */
export const labelPrinters = (schema: Knex.SchemaBuilder) =>
  schema.createTable('label_printers', (table) => {
    table.specificType('key_id', 'char(36) character set ascii collate ascii_bin').primary();
    table.specificType('asked_at', 'datetime(3)').notNullable();
    table.specificType('trouble', 'varchar(12) character set ascii collate ascii_bin').nullable();
    table.boolean('is_simulated').notNullable();
  });

/** Pages on units by a short code. */
export const selfTests = (schema: Knex.SchemaBuilder) =>
  schema.createTable('self_tests', (table) => {
    table.specificType('code', 'char(6) character set ascii collate ascii_bin').primary();
    table.specificType('unit_id', 'char(36) character set ascii collate ascii_bin').notNullable();
    table.specificType('part', 'varchar(12) character set ascii collate ascii_bin').nullable();
    table.specificType('bench', 'varchar(36) character set utf8mb4 collate utf8mb4_bin').notNullable();
    table.specificType('made_by', 'char(36) character set ascii collate ascii_bin').notNullable();
    table.specificType('made_at', 'datetime(3)').notNullable();
    table.specificType('opened_at', 'datetime(3)').nullable();
    table.specificType('closed_at', 'datetime(3)').nullable();
    table.json('done').notNullable();
    table.index(['unit_id', 'made_at']);
  });
