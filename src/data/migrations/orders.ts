import type { Knex } from 'knex';

/** What customers have ordered: the plan keeps to it. */
export const customerOrders = (schema: Knex.SchemaBuilder) =>
  schema.createTable('customer_orders', (table) => {
    table.specificType('id', 'char(36) character set ascii collate ascii_bin').primary();
    table.string('customer', 80).notNullable();
    table.specificType('model_id', 'varchar(60) character set ascii collate ascii_bin').notNullable();
    table.specificType('variant', 'varchar(60) character set ascii collate ascii_bin').nullable();
    table.specificType('at_least', 'char(1) character set ascii collate ascii_bin').notNullable();
    table.integer('count').unsigned().notNullable();
    table.specificType('due_on', 'char(10) character set ascii collate ascii_bin').nullable();
    table.integer('extra_cents').notNullable();
    table.integer('miss_cents').notNullable();
    table.boolean('is_firm').notNullable();
    table.specificType('made_by', 'char(36) character set ascii collate ascii_bin').notNullable();
    table.specificType('made_at', 'datetime(3)').notNullable();
    table.specificType('closed_at', 'datetime(3)').nullable();
    table.index(['closed_at']);
  });

/** Parts of a class that stay on the shelf whatever a plan could make of them. */
export const partReserves = (schema: Knex.SchemaBuilder) =>
  schema.createTable('part_reserves', (table) => {
    table.specificType('interchange', 'varchar(60) character set ascii collate ascii_bin').primary();
    table.specificType('at_least', 'char(1) character set ascii collate ascii_bin').notNullable();
    table.integer('count').unsigned().notNullable();
    table.specificType('set_by', 'char(36) character set ascii collate ascii_bin').notNullable();
    table.specificType('set_at', 'datetime(3)').notNullable();
  });

/** What kinds of units can become, as plans worked it out: any server may take it from here. */
export const matchWays = (schema: Knex.SchemaBuilder) =>
  schema.createTable('match_ways', (table) => {
    table.specificType('hash', 'char(64) character set ascii collate ascii_bin').primary();
    table.specificType('ways', 'mediumtext character set utf8mb4').notNullable();
    table.specificType('made_on', 'char(10) character set ascii collate ascii_bin').notNullable().index();
  });

/** Parts of a donor that are promised to other units. */
export const promisedParts = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('units', (table) => {
    table.json('promised').notNullable().defaultTo('{}');
  });

/** Where parts can be bought. */
export const purchaseOffers = (schema: Knex.SchemaBuilder) =>
  schema.createTable('purchase_offers', (table) => {
    table.specificType('id', 'char(36) character set ascii collate ascii_bin').primary();
    table.specificType('interchange', 'varchar(60) character set ascii collate ascii_bin').notNullable();
    table.string('supplier', 80).notNullable();
    table.specificType('grade', 'char(1) character set ascii collate ascii_bin').notNullable();
    table.integer('cents').unsigned().notNullable();
    table.integer('most').unsigned().nullable();
    table.integer('lead_days').unsigned().notNullable();
    table.integer('warranty_days').unsigned().notNullable();
    table.specificType('made_by', 'char(36) character set ascii collate ascii_bin').notNullable();
    table.specificType('made_at', 'datetime(3)').notNullable();
    table.specificType('ended_at', 'datetime(3)').nullable();
    table.index(['ended_at', 'interchange']);
  });
