import type { Knex } from 'knex';

/** Ids, serials and codes compare byte by byte; words as people do. */
const id = (table: Knex.CreateTableBuilder, name: string) =>
  table.specificType(name, 'char(36) character set ascii collate ascii_bin');
const code = (table: Knex.CreateTableBuilder, name: string, length: number) =>
  table.specificType(name, `varchar(${length}) character set utf8mb4 collate utf8mb4_bin`);

function versioned(table: Knex.CreateTableBuilder): void {
  table.integer('version').unsigned().notNullable();
  id(table, 'last_event_id').notNullable();
}

export const people = (schema: Knex.SchemaBuilder) =>
  schema.createTable('people', (table) => {
    id(table, 'id').primary();
    table.string('name', 60).notNullable().unique();
    code(table, 'role', 16).notNullable();
    code(table, 'pin_hash', 200).notNullable();
    table.integer('failed_count').unsigned().notNullable().defaultTo(0);
    table.specificType('locked_until', 'datetime(3)').nullable();
  });

export const benches = (schema: Knex.SchemaBuilder) =>
  schema.createTable('benches', (table) => {
    code(table, 'id', 20).primary();
    table.string('name', 40).notNullable();
  });

export const bins = (schema: Knex.SchemaBuilder) =>
  schema.createTable('bins', (table) => {
    code(table, 'code', 12).primary();
    table.integer('walk').unsigned().notNullable().unique();
  });

/** Which facts did something to which part, so that a part's history is read and not searched for. */
export const factParts = (schema: Knex.SchemaBuilder) =>
  schema.createTable('fact_parts', (table) => {
    id(table, 'part_id').notNullable();
    table.bigInteger('position').unsigned().notNullable();
    table.primary(['part_id', 'position']);
  });

/** The log lies on the disk in its own order: it is read by stretches, and only ever grows at its end. */
export const factsByPosition = (db: Knex) =>
  db.raw(
    'alter table facts drop primary key, drop key events_position_unique, add primary key (position), add unique (id)',
  );

/**
 * What the log and the things of the shop add up to; good are those of them that were. A generation is all of it, counted
 * from the first unit to the last.
 */
export const tallies = (schema: Knex.SchemaBuilder) =>
  schema.createTable('tallies', (table) => {
    table.integer('generation').unsigned().notNullable();
    code(table, 'kind', 12).notNullable();
    code(table, 'model_id', 60).notNullable();
    id(table, 'parcel_id').notNullable();
    code(table, 'about', 60).notNullable();
    code(table, 'more', 400).notNullable();
    table.integer('n').notNullable();
    table.integer('good').notNullable();
    // The count of changes at which this row last did: whoever has read the others needs only what came since.
    table.bigInteger('revision').unsigned().notNullable();
    table.primary(['generation', 'kind', 'model_id', 'parcel_id', 'about', 'more']);
    table.index(['generation', 'revision']);
  });

/** What of that is due to each unit, so that it can be counted anew alone. */
export const unitTallies = (schema: Knex.SchemaBuilder) =>
  schema.createTable('unit_tallies', (table) => {
    table.integer('generation').unsigned().notNullable();
    id(table, 'unit_id').notNullable();
    table.json('tallies').notNullable();
    table.primary(['generation', 'unit_id']);
  });

/** How far the log is counted, in one row. */
export const tallied = (schema: Knex.SchemaBuilder) =>
  schema.createTable('tallied', (table) => {
    table.integer('id').unsigned().primary();
    table.bigInteger('position').unsigned().notNullable();
    table.integer('generation').unsigned().notNullable();
    table.bigInteger('revision').unsigned().notNullable();
    id(table, 'next_to').nullable();
    table.specificType('begun_at', 'datetime(3)').nullable();
    table.integer('mended').unsigned().notNullable().defaultTo(0);
    table.specificType('mended_at', 'datetime(3)').nullable();
  });

/** No generation is there yet, and the first one has no unit. */
export const nothingTallied = (db: Knex) =>
  db.raw(
    `insert into tallied (id, position, generation, revision, next_to) select 1, n, 0, 0, '' from counters where name = 'facts'`,
  );

/**
 * What a part is looked for by, in small letters, in an index that holds all that the shelf and the search sort and filter by:
 * they read it instead of the table. Nobody reads these columns: no row of the code has them.
 */
export const wordsOfParts = (db: Knex) =>
  db.raw(
    `alter table parts
     add column words varchar(200) character set utf8mb4 collate utf8mb4_bin generated always as
       (lower(concat_ws(' ', tag, bin, part_ref, interchange, category))) virtual invisible,
     add index parts_shelf (place, bin, tag_no, grade, words),
     add index parts_kinds (model_id, part_ref, place, grade, tag_no, bin, tag)`,
  );

/** The same of a unit, with its serial as it is and without dashes and blanks; and what it waits on. */
export const wordsOfUnits = (db: Knex) =>
  db.raw(
    `alter table units
     add column words varchar(200) character set utf8mb4 collate utf8mb4_bin generated always as
       (lower(concat_ws(' ', tag, serial, replace(replace(serial, '-', ''), ' ', '')))) virtual invisible,
     add column timer_on varchar(40) generated always as (json_value(timer, '$.fixture')) virtual invisible,
     add index units_words (stage, tag_no, model_id, parcel_id, sale_grade, words),
     add index units_timers (timer_on)`,
  );

/** The log is read by thing, by person and bench, by type, and by day. */
export const keysOfFacts = (db: Knex) =>
  db.raw(
    `alter table facts
     drop key events_unit_id_index, drop key events_part_id_index,
     add index facts_of_units (unit_id, type), add index facts_of_subjects (subject_id, position),
     add index facts_of_people (person_id, position), add index facts_of_benches (bench, position),
     add index facts_of_types (type, position), add index facts_of_days (client_at)`,
  );

export const serialsOfLines = (db: Knex) => db.raw('alter table parcel_lines add index parcel_lines_serials (serial)');

/** Which parts a stretch of the log is about. */
export const positionsOfParts = (db: Knex) =>
  db.raw('alter table fact_parts add index fact_parts_positions (position)');

/** Rows of boxes, each box a bin: `A01` and on. */
export const racks = (schema: Knex.SchemaBuilder) =>
  schema.createTable('racks', (table) => {
    code(table, 'code', 2).primary();
    table.integer('row_count').unsigned().notNullable();
    table.integer('boxes').unsigned().notNullable();
    table.integer('room').unsigned().notNullable();
    code(table, 'category', 16).nullable();
    table.boolean('is_in_use').notNullable().defaultTo(true);
  });

/**
 * The number of a tag, so that U-9994 comes before U-30753. Nobody reads it: it only sorts, and no row of the code has it.
 */
export const tagNumbers = (db: Knex, name: 'units' | 'parts', ...also: readonly string[]) =>
  db.raw(
    `alter table ?? add column tag_no int unsigned generated always as (cast(substr(tag, 3) as unsigned)) stored invisible,
     add unique (tag_no), ${also.map(() => 'add index (??, tag_no)').join(', ')}`,
    [name, ...also],
  );

export const counters = (schema: Knex.SchemaBuilder) =>
  schema.createTable('counters', (table) => {
    code(table, 'name', 20).primary();
    table.bigInteger('n').unsigned().notNullable();
  });

export const models = (schema: Knex.SchemaBuilder) =>
  schema.createTable('models', (table) => {
    code(table, 'id', 60);
    table.integer('version').unsigned().notNullable();
    table.string('name', 120).notNullable();
    table.json('document').notNullable();
    table.specificType('published_at', 'datetime(3)').notNullable();
    table.primary(['id', 'version']);
  });

export const parcels = (schema: Knex.SchemaBuilder) =>
  schema.createTable('parcels', (table) => {
    id(table, 'id').primary();
    code(table, 'code', 40).notNullable().unique();
    table.string('supplier', 80).notNullable();
    table.bigInteger('price_paid_cents').notNullable();
    table.bigInteger('transport_cents').notNullable();
    code(table, 'received_on', 10).notNullable();
    table.integer('line_count').unsigned().notNullable();
    versioned(table);
  });

export const parcelLines = (schema: Knex.SchemaBuilder) =>
  schema.createTable('parcel_lines', (table) => {
    code(table, 'id', 48).primary();
    id(table, 'parcel_id').notNullable();
    table.integer('line_no').unsigned().notNullable();
    table.string('maker', 60).notNullable();
    table.string('model', 80).notNullable();
    code(table, 'serial', 60).notNullable();
    table.string('note', 200).notNullable();
    versioned(table);
    table.unique(['parcel_id', 'line_no']);
  });

export const units = (schema: Knex.SchemaBuilder) =>
  schema.createTable('units', (table) => {
    id(table, 'id').primary();
    code(table, 'tag', 12).notNullable().unique();
    id(table, 'parcel_id').notNullable();
    table.integer('line_no').unsigned().nullable();
    code(table, 'stage', 16).notNullable().index();
    code(table, 'model_id', 60).nullable();
    table.integer('model_version').unsigned().nullable();
    code(table, 'revision', 20).nullable();
    code(table, 'configuration', 20).nullable();
    code(table, 'variant', 20).nullable();
    code(table, 'serial', 60).nullable().index();
    table.json('marks').notNullable();
    table.json('tests').notNullable();
    code(table, 'disposition', 16).nullable();
    code(table, 'apart_place', 16).nullable();
    table.boolean('is_wiped').notNullable();
    table.json('sheet').nullable();
    table.json('assigned').notNullable();
    table.json('fitted').notNullable();
    table.json('proof').notNullable();
    code(table, 'sale_grade', 1).nullable();
    code(table, 'shipment', 12).nullable().index();
    versioned(table);
    table.unique(['parcel_id', 'line_no']);
  });

export const parts = (schema: Knex.SchemaBuilder) =>
  schema.createTable('parts', (table) => {
    id(table, 'id').primary();
    code(table, 'tag', 12).notNullable().unique();
    code(table, 'part_ref', 60).notNullable();
    code(table, 'model_id', 60).notNullable();
    code(table, 'category', 16).notNullable();
    code(table, 'interchange', 60).notNullable();
    id(table, 'unit_id').notNullable().index();
    code(table, 'state', 16).notNullable();
    code(table, 'place', 16).notNullable();
    table.json('readings').notNullable();
    code(table, 'grade', 1).nullable();
    table.string('limiting', 60).nullable();
    code(table, 'bin', 12).nullable().index();
    id(table, 'assigned_to').nullable().index();
    table.boolean('is_data_cleared').notNullable();
    versioned(table);
    table.index(['place', 'interchange', 'grade']);
  });

export const events = (schema: Knex.SchemaBuilder) =>
  schema.createTable('events', (table) => {
    id(table, 'id').primary();
    table.bigInteger('position').unsigned().notNullable().unique();
    code(table, 'type', 24).notNullable();
    id(table, 'subject_id').notNullable();
    table.integer('expects').unsigned().nullable();
    id(table, 'person_id').notNullable();
    code(table, 'bench', 20).notNullable();
    table.specificType('client_at', 'datetime(3)').notNullable();
    table.specificType('server_at', 'datetime(3)').notNullable();
    id(table, 'parcel_id').nullable();
    id(table, 'unit_id').nullable().index();
    id(table, 'part_id').nullable().index();
    code(table, 'model_id', 60).nullable();
    code(table, 'part_ref', 60).nullable();
    id(table, 'undoes').nullable().unique();
    table.json('payload').notNullable();
    table.json('touched').notNullable();
    table.index(['type', 'server_at']);
  });

export const modelCards = (schema: Knex.SchemaBuilder) =>
  schema.createTable('model_cards', (table) => {
    code(table, 'id', 60).primary();
    table.integer('version').unsigned().notNullable();
    table.string('name', 120).notNullable();
    code(table, 'kind', 16).notNullable().index();
    table.json('card').notNullable();
  });

export const modelNotes = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('models', (table) => {
    table.string('note', 200).notNullable().defaultTo('');
    table.string('published_by', 60).notNullable().defaultTo('');
  });

export const modelDrafts = (schema: Knex.SchemaBuilder) =>
  schema.createTable('model_drafts', (table) => {
    id(table, 'id').primary();
    code(table, 'model_id', 60).notNullable().index();
    table.string('name', 120).notNullable();
    table.integer('based_on').unsigned().nullable();
    table.json('document').notNullable();
    table.integer('version').unsigned().notNullable();
    table.string('saved_by', 60).notNullable();
    table.specificType('saved_at', 'datetime(3)').notNullable();
    id(table, 'last_save_id').notNullable();
  });

export const openings = (schema: Knex.SchemaBuilder) =>
  schema.createTable('openings', (table) => {
    id(table, 'id').primary();
    table.string('maker', 40).notNullable();
    table.string('name', 60).notNullable();
    code(table, 'kind', 16).notNullable();
    table.string('proof_of_off', 200).notNullable();
    table.string('started_by', 60).notNullable();
    table.specificType('started_at', 'datetime(3)').notNullable();
    id(table, 'draft_id').nullable();
  });

export const openingEntries = (schema: Knex.SchemaBuilder) =>
  schema.createTable('opening_entries', (table) => {
    id(table, 'id').primary();
    id(table, 'opening_id').notNullable();
    table.integer('log_no').unsigned().notNullable();
    table.integer('place').unsigned().notNullable();
    table.json('entry').notNullable();
    table.specificType('logged_at', 'datetime(3)').notNullable();
    table.unique(['opening_id', 'log_no', 'place']);
  });

export const parcelRules = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('parcels', (table) => {
    code(table, 'cost_rule', 12).notNullable().defaultTo('even');
    table.boolean('is_counted').notNullable().defaultTo(false);
  });

/** Who has a unit in hand at triage, for a few minutes: no fact, and gone by itself. */
export const unitHolds = (schema: Knex.SchemaBuilder) =>
  schema.createTable('unit_holds', (table) => {
    id(table, 'unit_id').primary();
    id(table, 'person_id').notNullable();
    table.specificType('until', 'datetime(3)').notNullable();
  });

/** Labels that the printer has before it, and had: each made by a fact, in the fact's own transaction. */
export const labelJobs = (schema: Knex.SchemaBuilder) =>
  schema.createTable('label_jobs', (table) => {
    table.bigIncrements('id');
    id(table, 'event_id').notNullable().index();
    code(table, 'tag', 12).notNullable();
    table.specificType('made_at', 'datetime(3)').notNullable();
    table.specificType('printed_at', 'datetime(3)').nullable().index();
  });

/** Unattended time that runs, on which fixture. */
export const unitTimer = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('units', (table) => {
    table.json('timer').nullable();
  });

/** Pictures of a unit, and whether its ownership is settled whatever was reported. */
export const unitPhotoList = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('units', (table) => {
    table.json('photos').notNullable().defaultTo('[]');
    table.boolean('is_ownership_settled').notNullable().defaultTo(false);
  });

/** The pictures themselves. They come before the fact that names them, and are never changed. */
export const unitPhotos = (schema: Knex.SchemaBuilder) =>
  schema.createTable('unit_photos', (table) => {
    id(table, 'id').primary();
    id(table, 'unit_id').notNullable().index();
    table.specificType('jpeg', 'mediumblob').notNullable();
    id(table, 'taken_by').notNullable();
    table.specificType('taken_at', 'datetime(3)').notNullable();
  });

/** What each person remembers of each model: it touches no unit. */
export const rehearsals = (schema: Knex.SchemaBuilder) =>
  schema.createTable('rehearsals', (table) => {
    id(table, 'person_id').notNullable();
    code(table, 'model_id', 60).notNullable();
    code(table, 'item', 80).notNullable();
    table.integer('box').unsigned().notNullable();
    code(table, 'due_on', 10).notNullable();
    table.integer('right_count').unsigned().notNullable();
    table.integer('wrong_count').unsigned().notNullable();
    table.primary(['person_id', 'model_id', 'item']);
  });

/** Which column of a supplier's lists holds what, as somebody once said. */
export const supplierColumns = (schema: Knex.SchemaBuilder) =>
  schema.createTable('supplier_columns', (table) => {
    table.string('supplier', 80).primary();
    table.json('mapping').notNullable();
  });

/** Serials that were reported lost or stolen: units that carry one are kept apart. */
export const lostSerials = (schema: Knex.SchemaBuilder) =>
  schema.createTable('lost_serials', (table) => {
    code(table, 'serial', 60).primary();
    table.string('reported_by', 60).notNullable();
    table.specificType('reported_at', 'datetime(3)').notNullable();
  });

/** What is learned of a model comes from its own facts. */
export const eventsOfModels = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('events', (table) => {
    table.index(['model_id', 'type', 'position']);
  });

/** How the shop works, a row for each version; facts name the one they were said by. */
export const houseRules = (schema: Knex.SchemaBuilder) =>
  schema.createTable('house_rules', (table) => {
    table.integer('version').unsigned().primary();
    table.json('rules').notNullable();
    table.specificType('changed_at', 'datetime(3)').notNullable();
    id(table, 'changed_by').nullable();
  });

/** What came to light at the bench stays with the unit when its sheet is over. */
export const foundOnUnits = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('units', (table) => {
    table.json('found').notNullable().defaultTo('[]');
  });

export const rulesOfFacts = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('facts', (table) => {
    table.integer('rules_version').unsigned().nullable();
  });

/** Screws and stripped heads of every bit, from its renewal on: what the log says of them, kept as it grows. */
export const bitLives = (schema: Knex.SchemaBuilder) =>
  schema.createTable('bit_lives', (table) => {
    code(table, 'bench', 20).notNullable();
    code(table, 'drive', 12).notNullable();
    table.bigInteger('from_position').unsigned().notNullable();
    table.integer('screws').notNullable();
    table.integer('stripped').notNullable();
    table.primary(['bench', 'drive', 'from_position']);
  });

export const carriesOfParts = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('parts', (table) => {
    table.json('carries').notNullable().defaultTo('[]');
  });

/** What instruments said of their readings' spread, what is known of a cell, and whether a part may be used again. */
export const gradingOfParts = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('parts', (table) => {
    table.json('plus_minus').notNullable().defaultTo('{}');
    table.string('reuse', 8).nullable();
    table.json('cell').nullable();
  });

/** What a second look made of a part; those that had none are found by their place. */
export const secondLooks = (db: Knex) =>
  db.raw(
    `alter table parts add column second_look json null,
     add column is_looked_twice tinyint unsigned generated always as (second_look is not null) virtual invisible,
     add index parts_to_look (place, is_looked_twice, tag_no)`,
  );

/** Cells whose own gauge and analyser both spoke, found by their model. */
export const gaugedCells = (db: Knex) =>
  db.raw(
    `alter table parts
     add column gauged_model varchar(60) character set ascii collate ascii_bin generated always as
       (if(json_value(cell, '$.gaugeShare') is null or json_value(cell, '$.analyserShare') is null, null, model_id)) virtual invisible,
     add index parts_gauged (gauged_model, tag_no)`,
  );

/** What had been found in the unit when a part came out of it. */
export const findingsOfParts = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('parts', (table) => {
    table.json('findings').notNullable().defaultTo('[]');
  });

/** Where somebody usually works, until when they are certified, whether they are still here. */
export const detailsOfPeople = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('people', (table) => {
    code(table, 'usual_bench', 20).nullable();
    code(table, 'certified_until', 10).nullable();
    table.specificType('left_at', 'datetime(3)').nullable();
    /** Counts up whenever those who are signed in as this person must sign in anew. */
    table.integer('epoch').unsigned().notNullable().defaultTo(0);
    table.integer('version').unsigned().notNullable().defaultTo(1);
    table.json('put_away').notNullable().defaultTo('[]');
  });

export const benchesInUse = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('benches', (table) => {
    table.boolean('is_in_use').notNullable().defaultTo(true);
  });

/** What leads changed about people and benches, and when. */
export const shopChanges = (schema: Knex.SchemaBuilder) =>
  schema.createTable('shop_changes', (table) => {
    table.bigIncrements('id');
    code(table, 'kind', 24).notNullable();
    table.string('about', 60).notNullable();
    table.json('fields').notNullable();
    id(table, 'changed_by').notNullable();
    table.specificType('changed_at', 'datetime(3)').notNullable();
  });

/** Keys by which a program of the shop's own reads along. The key itself is never kept, only what it is known by. */
export const readKeys = (schema: Knex.SchemaBuilder) =>
  schema.createTable('read_keys', (table) => {
    id(table, 'id').primary();
    table.string('name', 60).notNullable();
    code(table, 'digest', 64).notNullable().unique();
    id(table, 'made_by').notNullable();
    table.specificType('made_at', 'datetime(3)').notNullable();
    table.specificType('last_used_at', 'datetime(3)').nullable();
    table.specificType('revoked_at', 'datetime(3)').nullable();
  });

/** What the shop takes for units and reckons parts at, each from a day on. Rows are added and never changed. */
export const prices = (schema: Knex.SchemaBuilder) =>
  schema.createTable('prices', (table) => {
    table.bigIncrements('id');
    code(table, 'model_id', 60).notNullable();
    code(table, 'part_ref', 60).nullable();
    table.json('cents').notNullable();
    code(table, 'from_day', 10).notNullable();
    id(table, 'set_by').notNullable();
    table.specificType('set_at', 'datetime(3)').notNullable();
    table.index(['model_id', 'id']);
  });

/** Suppliers and customers with their addresses, by the name on their papers. */
export const contacts = (schema: Knex.SchemaBuilder) =>
  schema.createTable('contacts', (table) => {
    code(table, 'kind', 10).notNullable();
    table.string('name', 80).notNullable();
    table.string('address', 200).nullable();
    id(table, 'noted_by').notNullable();
    table.specificType('noted_at', 'datetime(3)').notNullable();
    table.primary(['kind', 'name']);
  });

/** Who really did what was recorded under another's sign-in. */
export const doers = (schema: Knex.SchemaBuilder) =>
  schema.createTable('doers', (table) => {
    id(table, 'fact_id').primary();
    id(table, 'person_id').notNullable().index();
    id(table, 'noted_by').notNullable();
    table.specificType('noted_at', 'datetime(3)').notNullable();
  });

/** Files to which facts of units that left long ago were moved. */
export const archives = (schema: Knex.SchemaBuilder) =>
  schema.createTable('archives', (table) => {
    table.increments('id');
    code(table, 'file', 120).notNullable().unique();
    table.specificType('left_before', 'datetime(3)').notNullable();
    table.specificType('made_at', 'datetime(3)').notNullable();
    table.integer('units').unsigned().notNullable();
    table.integer('facts').unsigned().notNullable();
    code(table, 'sha256', 64).notNullable();
  });

/** By how much the clock that dated a fact was wrong. */
export const clockOfFacts = (schema: Knex.SchemaBuilder) =>
  schema.alterTable('facts', (table) => {
    table.integer('clock_off_s').nullable();
  });

/** Where in its archive the facts of a unit stand, and what is counted of them. */
export const archivedUnits = (schema: Knex.SchemaBuilder) =>
  schema.createTable('archived_units', (table) => {
    id(table, 'unit_id').primary();
    table.integer('archive_id').unsigned().notNullable();
    table.bigInteger('at_byte').unsigned().notNullable();
    table.integer('bytes').unsigned().notNullable();
    table.integer('facts').unsigned().notNullable();
    table.integer('seconds').unsigned().notNullable();
    table.json('counted').notNullable();
  });
