import type { Knex } from 'knex';
import { startingHouseRules } from '@/core/shared/houseRules';
import { insertRules } from '@/data/rules/houseRulesRepository';
import { fillFactParts } from './fillFactParts';
import { fillModelCards } from './fillModelCards';
import * as factNames from './factNames';
import * as tables from './tables';

interface Migration {
  readonly name: string;
  up(db: Knex): Promise<unknown>;
}

const bins = ['A', 'B', 'C', 'D'].flatMap((rack) =>
  Array.from({ length: 15 }, (_, at) => `${rack}${String(at + 1).padStart(2, '0')}`),
);

/** Rules and sheets from before schools were asked about worked as the models were written. */
const schoolsBefore = JSON.stringify({
  batteryPlug: 'when-touched',
  prying: 'as-written',
  warming: 'as-written',
  gluing: 'as-written',
  torque: 'driver',
  usedOnce: 'ask',
  howFar: 'everything',
});

/** What was graded before limits were a rule was graded by these. */
const limitsBefore = JSON.stringify({
  capacityShare: { A: 95, B: 88, C: 80, D: 80 },
  cycles: { A: 150, B: 400, C: 700, D: 1000 },
  resistanceMilliOhm: { A: 90, B: 130, C: 180, D: 240 },
  deadPixels: { A: 0, B: 1, C: 3, D: 8 },
  touchCoverage: { A: 100, B: 100, C: 100, D: 98 },
});

/** In order, for ever: DDL commits by itself in MariaDB, so each step is one statement and is never edited later. */
const migrations: readonly Migration[] = [
  { name: '001_people', up: (db) => tables.people(db.schema) },
  { name: '002_benches', up: (db) => tables.benches(db.schema) },
  { name: '003_bins', up: (db) => tables.bins(db.schema) },
  { name: '004_counters', up: (db) => tables.counters(db.schema) },
  { name: '005_models', up: (db) => tables.models(db.schema) },
  { name: '006_parcels', up: (db) => tables.parcels(db.schema) },
  { name: '007_parcel_lines', up: (db) => tables.parcelLines(db.schema) },
  { name: '008_units', up: (db) => tables.units(db.schema) },
  { name: '009_parts', up: (db) => tables.parts(db.schema) },
  { name: '010_events', up: (db) => tables.events(db.schema) },
  {
    name: '011_first_counters',
    up: (db) =>
      db('counters').insert([
        { name: 'events', n: 0 },
        { name: 'unit-tag', n: 700 },
        { name: 'part-tag', n: 20400 },
        { name: 'shipment-tag', n: 10 },
      ]),
  },
  { name: '012_first_bins', up: (db) => db('bins').insert(bins.map((code, walk) => ({ code, walk }))) },
  {
    name: '013_first_benches',
    up: (db) =>
      db('benches').insert([
        { id: 'bench-1', name: 'Bench 1' },
        { id: 'bench-2', name: 'Bench 2' },
        { id: 'goods-in', name: 'Goods-in' },
        { id: 'desk', name: 'Desk' },
      ]),
  },
  { name: '014_model_cards', up: (db) => tables.modelCards(db.schema) },
  { name: '015_first_model_cards', up: fillModelCards },
  { name: '016_model_notes', up: (db) => tables.modelNotes(db.schema) },
  { name: '017_model_drafts', up: (db) => tables.modelDrafts(db.schema) },
  { name: '018_openings', up: (db) => tables.openings(db.schema) },
  { name: '019_opening_entries', up: (db) => tables.openingEntries(db.schema) },
  { name: '020_parcel_rules', up: (db) => tables.parcelRules(db.schema) },
  { name: '021_unit_holds', up: (db) => tables.unitHolds(db.schema) },
  { name: '022_label_jobs', up: (db) => tables.labelJobs(db.schema) },
  { name: '023_supplier_columns', up: (db) => tables.supplierColumns(db.schema) },
  { name: '024_lost_serials', up: (db) => tables.lostSerials(db.schema) },
  { name: '025_unit_photo_list', up: (db) => tables.unitPhotoList(db.schema) },
  { name: '026_unit_photos', up: (db) => tables.unitPhotos(db.schema) },
  { name: '027_unit_timer', up: (db) => tables.unitTimer(db.schema) },
  { name: '028_rehearsals', up: (db) => tables.rehearsals(db.schema) },
  { name: '029_events_of_models', up: (db) => tables.eventsOfModels(db.schema) },
  { name: '030_findings_of_parts', up: (db) => tables.findingsOfParts(db.schema) },
  { name: '031_facts', up: (db) => db.schema.renameTable('events', 'facts') },
  { name: '032_facts_counter', up: (db) => db('counters').where({ name: 'events' }).update({ name: 'facts' }) },
  ...factNames.versionedTables.map((table, at) => ({
    name: `${String(33 + at).padStart(3, '0')}_last_fact_of_${table}`,
    up: (db: Knex) => factNames.lastFactOf(db, table),
  })),
  { name: '037_fact_of_label_jobs', up: (db) => factNames.factOfLabelJobs(db) },
  { name: '038_undone_names_its_fact', up: factNames.undoneNamesItsFact },
  { name: '039_touched_names_its_fact', up: factNames.touchedNamesItsFact },
  { name: '040_house_rules', up: (db) => tables.houseRules(db.schema) },
  {
    name: '041_first_house_rules',
    up: (db) => insertRules(db, startingHouseRules, { at: new Date(0), by: null }),
  },
  { name: '042_rules_of_facts', up: (db) => tables.rulesOfFacts(db.schema) },
  { name: '043_found_on_units', up: (db) => tables.foundOnUnits(db.schema) },
  // Features are kept by code: the cards are made anew from their models.
  { name: '044_no_model_cards', up: (db) => db('model_cards').delete() },
  { name: '045_model_cards_by_code', up: fillModelCards },
  { name: '046_details_of_people', up: (db) => tables.detailsOfPeople(db.schema) },
  { name: '047_benches_in_use', up: (db) => tables.benchesInUse(db.schema) },
  { name: '048_shop_changes', up: (db) => tables.shopChanges(db.schema) },
  {
    name: '049_rule_of_certificates',
    up: (db) =>
      db('house_rules').update({
        rules: db.raw(`json_insert(rules, '$.isCertificateAsked', false, '$.shop.address', null)`),
      }),
  },
  { name: '050_read_keys', up: (db) => tables.readKeys(db.schema) },
  {
    name: '051_schools_and_limits',
    up: (db) =>
      db('house_rules').update({
        rules: db.raw(`json_insert(rules, '$.schools', json_compact(?), '$.gradingLimits', json_compact(?))`, [
          schoolsBefore,
          limitsBefore,
        ]),
      }),
  },
  {
    name: '052_schools_of_sheets',
    up: (db) =>
      db('units')
        .whereNotNull('sheet')
        .update({ sheet: db.raw(`json_insert(sheet, '$.rules.schools', json_compact(?))`, [schoolsBefore]) }),
  },
  { name: '053_prices', up: (db) => tables.prices(db.schema) },
  {
    name: '054_fixtures_selling_label',
    up: (db) =>
      db('house_rules').update({
        rules: db.raw(
          `json_insert(rules, '$.fixtures', json_compact(?), '$.selling', json_compact(?), '$.label', json_compact(?))`,
          [
            JSON.stringify({ clamp: null, 'hot plate': null, charger: null, analyser: null }),
            JSON.stringify({ feeShare: 0, perUnitCents: 0 }),
            JSON.stringify({ widthMm: 70, heightMm: 36 }),
          ],
        ),
      }),
  },
  { name: '055_contacts', up: (db) => tables.contacts(db.schema) },
  {
    name: '056_missing_tools',
    up: (db) => db('house_rules').update({ rules: db.raw(`json_insert(rules, '$.missingTools', json_array())`) }),
  },
  {
    name: '057_missing_tools_of_sheets',
    up: (db) =>
      db('units')
        .whereNotNull('sheet')
        .update({ sheet: db.raw(`json_insert(sheet, '$.rules.missingTools', json_array())`) }),
  },
  { name: '058_doers', up: (db) => tables.doers(db.schema) },
  {
    // A screw of a log names its drive. A quote inside of a typed text has a backslash before it and is left alone.
    name: '059_drives_of_logs',
    up: (db) => db('opening_entries').update({ entry: db.raw(`replace(entry, ?, ?)`, ['"head":', '"drive":']) }),
  },
  { name: '060_carries_of_parts', up: (db) => tables.carriesOfParts(db.schema) },
  { name: '061_bit_lives', up: (db) => tables.bitLives(db.schema) },
  { name: '062_racks', up: (db) => tables.racks(db.schema) },
  {
    // What the bins of before were: four racks of three rows.
    name: '063_first_racks',
    up: (db) => db('racks').insert(['A', 'B', 'C', 'D'].map((code) => ({ code, row_count: 3, boxes: 5, room: 12 }))),
  },
  { name: '064_no_bins', up: (db) => db.schema.dropTable('bins') },
  { name: '065_numbers_of_units', up: (db) => tables.tagNumbers(db, 'units', 'stage', 'parcel_id') },
  { name: '066_numbers_of_parts', up: (db) => tables.tagNumbers(db, 'parts', 'place', 'interchange') },
  { name: '067_fact_parts', up: (db) => tables.factParts(db.schema) },
  { name: '068_fact_parts_of_before', up: fillFactParts },
  { name: '069_facts_by_position', up: tables.factsByPosition },
  { name: '070_tallies', up: (db) => tables.tallies(db.schema) },
  { name: '071_unit_tallies', up: (db) => tables.unitTallies(db.schema) },
  { name: '072_tallied', up: (db) => tables.tallied(db.schema) },
  { name: '073_nothing_tallied', up: tables.nothingTallied },
  { name: '074_words_of_parts', up: tables.wordsOfParts },
  { name: '075_words_of_units', up: tables.wordsOfUnits },
  { name: '076_keys_of_facts', up: tables.keysOfFacts },
  { name: '077_serials_of_lines', up: tables.serialsOfLines },
  { name: '078_positions_of_parts', up: tables.positionsOfParts },
];

const source: Knex.MigrationSource<Migration> = {
  getMigrations: async () => [...migrations],
  getMigrationName: ({ name }) => name,
  getMigration: async ({ up }) => ({
    up: async (db: Knex) => void (await up(db)),
    down: async () => {
      throw new Error('Migrations only go forward. Restore a backup instead.');
    },
  }),
};

/** Brings a database up to date. */
export async function migrate(db: Knex): Promise<readonly string[]> {
  const [, done] = (await db.migrate.latest({ migrationSource: source, disableTransactions: true })) as [
    number,
    string[],
  ];
  return done;
}
