import type { Knex } from 'knex';
import { startingHouseRules } from '@/core/shared/houseRules';
import { insertRules } from '@/data/rules/houseRulesRepository';
import { fillFactParts } from './fillFactParts';
import { fillModelCards } from './fillModelCards';
import * as factNames from './factNames';
import * as instruments from './instruments';
import { customerOrders, matchWays, partReserves, promisedParts, purchaseOffers } from './orders';
import * as shelf from './shelf';
import * as sessions from './sessions';
import * as tables from './tables';

export interface Migration {
  readonly name: string;
  /** Builds its statements, which `migrate` runs, or does its work on rows by itself. */
  readonly up: (db: Knex) => Promise<unknown>;
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

/** Rules of grading that came later; what was there before stays. */
const limitsAdded = JSON.stringify({
  swellingMm: { A: 0.1, B: 0.2, C: 0.35, D: 0.5 },
  imbalanceMilliVolt: { A: 15, B: 30, C: 60, D: 100 },
  restLossMilliVolt: { A: 5, B: 10, C: 20, D: 30 },
  scratchMicron: { A: 2, B: 8, C: 25, D: 80 },
  dentMm: { A: 0.1, B: 0.3, C: 0.8, D: 1.5 },
  flatnessMm: { A: 0.15, B: 0.3, C: 0.6, D: 1 },
  leakMillibar: { A: 2, B: 4, C: 8, D: 15 },
  loudnessDb: { A: 74, B: 71, C: 67, D: 62 },
  pickUpDb: { A: 30, B: 34, C: 39, D: 45 },
  fanDb: { A: 36, B: 39, C: 43, D: 47 },
  deadKeys: { A: 0, B: 0, C: 0, D: 1 },
  hingeNewtonCm: { A: 38, B: 32, C: 26, D: 20 },
  lifeShare: { A: 95, B: 85, C: 70, D: 50 },
  badBlocks: { A: 0, B: 0, C: 8, D: 50 },
  memoryErrors: { A: 0, B: 0, C: 0, D: 0 },
  restVolt: { A: 3, B: 2.95, C: 2.9, D: 2.8 },
});
const choicesAdded = JSON.stringify({
  shape: { flat: 'A', bent: 'X', swollen: 'X' },
  freed: { strip: 'A', solvent: 'A', warmed: 'B', pried: 'X' },
  picture: { even: 'A', faint: 'B', burn: 'C', lines: 'X' },
  glass: { clean: 'A', hairline: 'B', scratched: 'C', chipped: 'D', cracked: 'X' },
  starts: { yes: 'A', no: 'X' },
  charges: { yes: 'A', no: 'X' },
  radios: { all: 'A', some: 'D', none: 'X' },
  seats: { whole: 'A', worn: 'C', lifted: 'X' },
  liquid: { none: 'A', dried: 'C', corroded: 'X' },
  lock: { free: 'A', locked: 'X' },
  fixings: { whole: 'A', straightened: 'C', bent: 'D', torn: 'X' },
  wear: { none: 'A', light: 'B', marked: 'C', heavy: 'D' },
  focus: { sharp: 'A', slow: 'C', none: 'X' },
  image: { clean: 'A', specks: 'C', stains: 'D', none: 'X' },
  lens: { clear: 'A', dust: 'B', scratched: 'C', cracked: 'X' },
  sound: { clear: 'A', thin: 'C', rattles: 'D', silent: 'X' },
  voice: { clear: 'A', hum: 'C', crackles: 'D', silent: 'X' },
  mesh: { clean: 'A', dusty: 'B', torn: 'D' },
  buzz: { strong: 'A', weak: 'C', grinds: 'D', none: 'X' },
  link: { both: 'A', 'charge-only': 'D', none: 'X' },
  hold: { firm: 'A', loose: 'C', 'falls-out': 'X' },
  pins: { clean: 'A', worn: 'B', green: 'D', bent: 'X' },
  press: { even: 'A', soft: 'B', sticks: 'D', none: 'X' },
  legends: { clear: 'A', worn: 'B', gone: 'D' },
  play: { none: 'A', slight: 'B', wobbles: 'D' },
  spins: { freely: 'A', slow: 'D', stops: 'X' },
  fins: { straight: 'A', bent: 'C', crushed: 'D' },
  reach: { strong: 'A', weak: 'D', none: 'X' },
  reacts: { yes: 'A', slow: 'C', no: 'X' },
  contacts: { clean: 'A', worn: 'B', green: 'D', torn: 'X' },
  readsAll: { yes: 'A', slow: 'C', no: 'X' },
  conducts: { all: 'A', 'when-moved': 'X', none: 'X' },
  folds: { none: 'A', soft: 'B', sharp: 'D', torn: 'X' },
  fit: { slides: 'A', sticks: 'C', falls: 'X' },
  reuse: { yes: 'A', no: 'X' },
});

/** In order, for ever: a step is never edited later, and begins nothing that another has to end. */
export const migrations: readonly Migration[] = [
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
  { name: '079_archives', up: (db) => tables.archives(db.schema) },
  { name: '080_archived_units', up: (db) => tables.archivedUnits(db.schema) },
  { name: '081_last_sign_in', up: (db) => sessions.lastSignIn(db.schema) },
  { name: '082_sessions', up: (db) => sessions.sessions(db.schema) },
  {
    name: '083_rules_of_sessions',
    up: (db) =>
      db('house_rules').update({
        rules: db.raw(`json_insert(rules, '$.sessions', json_compact(?))`, [
          JSON.stringify({ idleMinutes: 240, longestHours: 14 }),
        ]),
      }),
  },
  { name: '084_no_epochs', up: (db) => sessions.noEpochs(db.schema) },
  { name: '085_pin_tries', up: (db) => sessions.pinTries(db.schema) },
  { name: '086_known_devices', up: (db) => sessions.knownDevices(db.schema) },
  { name: '087_no_person_locks', up: (db) => sessions.noPersonLocks(db.schema) },
  // Pictures of units that were tagged by mistake stayed behind.
  {
    name: '088_photos_of_units',
    up: (db) => db('unit_photos').whereNotIn('unit_id', db('units').select('id')).delete(),
  },
  { name: '089_clock_of_facts', up: (db) => tables.clockOfFacts(db.schema) },
  {
    name: '090_rules_of_grading',
    up: (db) =>
      db('house_rules').update({
        rules: db.raw(
          `json_set(rules,
             '$.gradingLimits', json_compact(json_merge_patch(?, json_extract(rules, '$.gradingLimits'))),
             '$.gradingChoices', json_compact(coalesce(json_extract(rules, '$.gradingChoices'), ?)),
             '$.classLimits', json_compact(coalesce(json_extract(rules, '$.classLimits'), '[]')))`,
          [limitsAdded, choicesAdded],
        ),
      }),
  },
  { name: '091_grading_of_parts', up: (db) => tables.gradingOfParts(db.schema) },
  { name: '092_gauged_cells', up: tables.gaugedCells },
  { name: '093_second_looks', up: tables.secondLooks },
  { name: '094_reserved_parts', up: shelf.reservedParts },
  { name: '095_stored_before', up: shelf.storedBefore },
  { name: '096_orders_of_the_shelf', up: shelf.shelfOrders },
  { name: '097_due_cells', up: shelf.dueCells },
  { name: '098_due_before', up: shelf.dueBefore },
  { name: '099_supplies', up: (db) => shelf.supplies(db.schema) },
  { name: '100_counted_anew', up: shelf.countAnew },
  { name: '101_instrument_keys', up: (db) => instruments.instrumentKeys(db.schema) },
  { name: '102_bench_waits', up: (db) => instruments.benchWaits(db.schema) },
  { name: '103_instrument_readings', up: (db) => instruments.instrumentReadings(db.schema) },
  { name: '104_self_tests', up: (db) => instruments.selfTests(db.schema) },
  { name: '105_taken_labels', up: (db) => instruments.takenLabels(db.schema) },
  { name: '106_label_printers', up: (db) => instruments.labelPrinters(db.schema) },
  // A cell that screws or a latch held was never freed by a strip.
  {
    name: '107_unfastened_cells',
    up: (db) =>
      db('house_rules').update({
        rules: db.raw(`json_insert(rules, '$.gradingChoices.freed.unfastened', 'A')`),
      }),
  },
  { name: '108_conditioned_cells', up: shelf.conditionedCells },
  { name: '109_bought_parts', up: shelf.boughtParts },
  { name: '110_customer_orders', up: (db) => customerOrders(db.schema) },
  { name: '111_purchase_offers', up: (db) => purchaseOffers(db.schema) },
  {
    name: '112_many_alike',
    up: (db) =>
      db('house_rules').update({
        rules: db.raw(`json_insert(rules, '$.manyAlike', json_compact(?))`, [
          JSON.stringify({ after: null, lessShare: 0.03 }),
        ]),
      }),
  },
  { name: '113_part_reserves', up: (db) => partReserves(db.schema) },
  { name: '114_promised_parts', up: (db) => promisedParts(db.schema) },
  { name: '115_match_ways', up: (db) => matchWays(db.schema) },
];
