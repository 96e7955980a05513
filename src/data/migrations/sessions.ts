import type { Knex } from 'knex';

/** When somebody was last let in. */
export const lastSignIn = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('people', (table) => {
    table.specificType('signed_in_at', 'datetime(3)').nullable();
  });

/** Who is signed in where: a row goes when a sign-in is over. */
export const sessions = (schema: Knex.SchemaBuilder) =>
  schema.createTable('sessions', (table) => {
    // Of what the browser holds only a digest is here: who reads the table cannot sign in with it.
    ascii(table, 'digest', 64).primary();
    ascii(table, 'id', 36).notNullable().unique();
    ascii(table, 'person_id', 36).notNullable().index();
    ascii(table, 'bench', 40).notNullable();
    table.string('address', 60).notNullable();
    table.specificType('began_at', 'datetime(3)').notNullable();
    table.specificType('seen_at', 'datetime(3)').notNullable();
    table.specificType('idle_until', 'datetime(3)').notNullable();
    table.specificType('ends_at', 'datetime(3)').notNullable();
  });

/** What ended sign-ins while browsers held them by themselves. */
export const noEpochs = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('people', (table) => {
    table.dropColumn('epoch');
  });

/** Wrong PINs, by person and place. */
export const pinTries = (schema: Knex.SchemaBuilder) =>
  schema.createTable('pin_tries', (table) => {
    ascii(table, 'person_id', 36).notNullable();
    ascii(table, 'origin', 80).notNullable();
    table.integer('failed_count').unsigned().notNullable();
    table.integer('wrong_count').unsigned().notNullable();
    table.specificType('last_at', 'datetime(3)').notNullable().index();
    table.specificType('locked_until', 'datetime(3)').nullable();
    table.primary(['person_id', 'origin']);
  });

/** Browsers in which somebody signed in before. */
export const knownDevices = (schema: Knex.SchemaBuilder) =>
  schema.createTable('known_devices', (table) => {
    ascii(table, 'person_id', 36).notNullable();
    ascii(table, 'digest', 64).notNullable();
    table.specificType('last_at', 'datetime(3)').notNullable();
    table.primary(['person_id', 'digest']);
  });

/** What locked a person for everybody who knew their name. */
export const noPersonLocks = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('people', (table) => {
    table.dropColumn('failed_count');
    table.dropColumn('locked_until');
  });

const ascii = (table: Knex.CreateTableBuilder, name: string, length: number) =>
  table.specificType(name, `varchar(${length}) character set ascii collate ascii_bin`);
