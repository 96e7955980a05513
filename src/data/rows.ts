import type { SelfTestKind } from '@/core/selfTest/reads';
import type { BenchWait, Landing } from '@/core/instruments/landing';
import type { ReadingMessage } from '@/core/instruments/message';
import type { PrinterTrouble } from '@/core/instruments/printing';
import type { Outcome } from '@/core/shared/outcome';
import type { Conditioning } from '@/core/battery/conditioning';
import type { CellRecord } from '@/core/battery/cellRecord';
import type { RememberedMapping } from '@/core/intake/columnMapping';
import type { CostRule } from '@/core/shared/costRule';
import type { Finding } from '@/core/procedure/vocabulary';
import type { Mark } from '@/core/findings/mark';
import type { Bought, GradeVerdict, Part, SheetState, Unit } from '@/core/entities/entities';
import type { SaleGrade } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';
import type { FactType, Payloads } from '@/core/shop/facts';
import type { Was } from '@/core/shop/was';
import type { Touched } from '@/core/shop/world';
import type { ModelCard } from '@/core/library/modelCard';
import type { LogEntry } from '@/core/opening/openingLog';
import type { Model } from '@/core/procedure/model';
import type { FirstModel } from '@/core/procedure/upgradeModel';
import type { ContactKind } from '@/core/contacts/contacts';
import type { Guide } from '@/core/people/guides';
import type { GradeCents } from '@/core/prices/priceList';
import type { TalliedFact } from '@/core/tallies/talliesOf';
import type { TallyKind } from '@/core/tallies/tally';
import type { Role } from '@/core/people/roles';
import type { ShopChange } from '@/core/people/shopChange';

/** The tables' rows, once. A test compares every list of columns with `information_schema`. */
export interface ParcelRow {
  id: string;
  code: string;
  supplier: string;
  price_paid_cents: number;
  transport_cents: number;
  received_on: string;
  line_count: number;
  cost_rule: CostRule;
  is_counted: number;
  version: number;
  last_fact_id: string;
}

export interface ParcelLineRow {
  id: string;
  parcel_id: string;
  line_no: number;
  maker: string;
  model: string;
  serial: string;
  note: string;
  version: number;
  last_fact_id: string;
}

export interface UnitRow {
  id: string;
  tag: string;
  parcel_id: string;
  line_no: number | null;
  stage: Unit['stage'];
  model_id: string | null;
  model_version: number | null;
  revision: string | null;
  configuration: string | null;
  variant: string | null;
  serial: string | null;
  marks: readonly Mark[];
  found: readonly Finding[];
  photos: Unit['photos'];
  tests: Unit['tests'];
  disposition: Unit['disposition'];
  apart_place: Unit['apartPlace'];
  is_wiped: number;
  is_ownership_settled: number;
  sheet: SheetState | null;
  timer: Unit['timer'];
  assigned: Unit['assigned'];
  promised: Unit['promised'];
  fitted: Unit['fitted'];
  proof: Unit['proof'];
  sale_grade: Unit['saleGrade'];
  shipment: string | null;
  version: number;
  last_fact_id: string;
}

export interface PartRow {
  id: string;
  tag: string;
  part_ref: string;
  model_id: string;
  category: Part['category'];
  interchange: string;
  unit_id: string;
  bought: Bought | null;
  /** 1 where it was bought: to be asked for. */
  is_bought: number;
  state: Part['state'];
  place: Part['place'];
  readings: Part['readings'];
  grade: Part['grade'];
  limiting: string | null;
  bin: string | null;
  assigned_to: string | null;
  is_data_cleared: number;
  carries: readonly string[];
  plus_minus: Readonly<Record<string, number>>;
  reuse: 'never' | 'asked' | null;
  cell: CellRecord | null;
  conditioning: Conditioning | null;
  /** When a cell on its charger is done: worked out of the others. */
  conditioned_at: string | null;
  second_look: GradeVerdict | null;
  reserved_for: string | null;
  stored_at: string | null;
  /** When a cell on the shelf is to be topped up: worked out of the others, so that it can be asked for. */
  due_at: string | null;
  findings: readonly (Part['findings'][number] | Finding)[];
  version: number;
  last_fact_id: string;
}

/**
 * A thing that a fact touched. What it was is told by what it became (`was`), where it was there before and after; a log from
 * before that, and what the fact took away, has it whole.
 */
export type TouchedRow = Touched | (Pick<Touched, 'kind' | 'id'> & { readonly was: Was });

interface FactColumns {
  id: string;
  position: number;
  subject_id: string;
  expects: number | null;
  person_id: string;
  bench: string;
  client_at: Date;
  server_at: Date;
  parcel_id: string | null;
  unit_id: string | null;
  part_id: string | null;
  model_id: string | null;
  part_ref: string | null;
  undoes: string | null;
  touched: readonly TouchedRow[];
  rules_version: number | null;
  clock_off_s: number | null;
}

/** A row of the log: like the fact, one of a union that its type tells apart. */
export type FactRow<T extends FactType = FactType> = {
  [K in T]: FactColumns & { type: K; payload: Payloads[K] };
}[T];

export interface ModelRow {
  id: string;
  version: number;
  name: string;
  /** As it was published or saved: older ones in the first format. */
  document: Model | FirstModel;
  published_at: Date;
  note: string;
  published_by: string;
}

export interface ModelCardRow {
  id: string;
  version: number;
  name: string;
  kind: Model['kind'];
  card: ModelCard;
}

export interface ModelDraftRow {
  id: string;
  model_id: string;
  name: string;
  based_on: number | null;
  /** As it was published or saved: older ones in the first format. */
  document: Model | FirstModel;
  version: number;
  saved_by: string;
  saved_at: Date;
  last_save_id: string;
}

export interface OpeningRow {
  id: string;
  maker: string;
  name: string;
  kind: Model['kind'];
  proof_of_off: string;
  started_by: string;
  started_at: Date;
  draft_id: string | null;
}

export interface OpeningEntryRow {
  id: string;
  opening_id: string;
  log_no: number;
  place: number;
  entry: LogEntry;
  logged_at: Date;
}

export interface PersonRow {
  id: string;
  name: string;
  role: Role;
  pin_hash: string;
  usual_bench: string | null;
  /** ISO date. */
  certified_until: string | null;
  left_at: Date | null;
  /** The last time; null when never. */
  signed_in_at: Date | null;
  version: number;
  put_away: readonly Guide[];
}

/** Wrong PINs of one person from one place. */
export interface PinTryRow {
  person_id: string;
  origin: string;
  /** In a row, since the last lock. */
  failed_count: number;
  /** Since the last right one. */
  wrong_count: number;
  last_at: Date;
  locked_until: Date | null;
}

export interface KnownDeviceRow {
  person_id: string;
  /** SHA-256 of what the browser holds. */
  digest: string;
  last_at: Date;
}

/** Somebody who is signed in somewhere. */
export interface SessionRow {
  /** SHA-256 of what the browser holds. */
  digest: string;
  id: string;
  person_id: string;
  bench: string;
  address: string;
  began_at: Date;
  /** The last press, to the minute. */
  seen_at: Date;
  idle_until: Date;
  ends_at: Date;
}

export interface BenchRow {
  id: string;
  name: string;
  is_in_use: number;
}

export interface InstrumentKeyRow {
  id: string;
  name: string;
  bench: string;
  digest: string;
  made_by: string;
  made_at: Date;
  revoked_at: Date | null;
}

export interface SelfTestRow {
  code: string;
  unit_id: string;
  part: string | null;
  bench: string;
  made_by: string;
  made_at: Date;
  opened_at: Date | null;
  closed_at: Date | null;
  done: readonly SelfTestKind[];
}

export interface CustomerOrderRow {
  id: string;
  customer: string;
  model_id: string;
  variant: string | null;
  at_least: SaleGrade;
  count: number;
  due_on: string | null;
  extra_cents: number;
  miss_cents: number;
  is_firm: 0 | 1;
  made_by: string;
  made_at: Date;
  closed_at: Date | null;
}

export interface PurchaseOfferRow {
  id: string;
  interchange: string;
  supplier: string;
  grade: SaleGrade;
  cents: number;
  most: number | null;
  lead_days: number;
  warranty_days: number;
  made_by: string;
  made_at: Date;
  ended_at: Date | null;
}

export interface MatchWayRow {
  hash: string;
  ways: string;
  made_on: string;
}

export interface PartReserveRow {
  interchange: string;
  at_least: SaleGrade;
  count: number;
  set_by: string;
  set_at: Date;
}

export interface BenchWaitRow {
  bench: string;
  waits: BenchWait;
  said_at: Date;
}

export interface InstrumentReadingRow {
  no: number;
  id: string;
  bench: string;
  message: ReadingMessage;
  became: Outcome<Landing>;
  received_at: Date;
}

export interface ReadKeyRow {
  id: string;
  name: string;
  digest: string;
  made_by: string;
  made_at: Date;
  last_used_at: Date | null;
  revoked_at: Date | null;
}

export interface BitLifeRow {
  bench: string;
  drive: string;
  /** The renewal that it began with, as a position of the log; 0 for the first that is known. */
  from_position: number;
  screws: number;
  stripped: number;
}

export interface ContactRow {
  kind: ContactKind;
  name: string;
  address: string | null;
  noted_by: string;
  noted_at: Date;
}

export interface DoerRow {
  fact_id: string;
  person_id: string;
  noted_by: string;
  noted_at: Date;
}

export interface PriceRow {
  id: number;
  model_id: string;
  part_ref: string | null;
  cents: GradeCents;
  from_day: string;
  set_by: string;
  set_at: Date;
}

export interface ShopChangeRow {
  id: number;
  kind: ShopChange['kind'];
  about: string;
  fields: ShopChange['fields'];
  changed_by: string;
  changed_at: Date;
}

export interface FactPartRow {
  part_id: string;
  position: number;
}

export interface SupplyRow {
  key: string;
  counted: number | null;
  counted_at: string | null;
  used_then: number;
  received: number;
  lead_days: number;
  version: number;
}

export interface RackRow {
  code: string;
  row_count: number;
  boxes: number;
  room: number;
  category: Part['category'] | null;
  is_in_use: number;
}

export interface LabelJobRow {
  id: number;
  fact_id: string;
  tag: string;
  made_at: Date;
  printed_at: Date | null;
  /** Key of the printer that has it before it. */
  taken_by: string | null;
  taken_at: Date | null;
}

export interface LabelPrinterRow {
  key_id: string;
  asked_at: Date;
  trouble: PrinterTrouble | null;
  is_simulated: 0 | 1;
}

export interface SupplierColumnsRow {
  supplier: string;
  mapping: RememberedMapping;
}

export interface UnitPhotoRow {
  id: string;
  unit_id: string;
  jpeg: Buffer;
  taken_by: string;
  taken_at: Date;
}

export interface RehearsalRow {
  person_id: string;
  model_id: string;
  item: string;
  box: number;
  /** ISO date. */
  due_on: string;
  right_count: number;
  wrong_count: number;
}

export interface LostSerialRow {
  serial: string;
  reported_by: string;
  reported_at: Date;
}

export interface UnitHoldRow {
  unit_id: string;
  person_id: string;
  until: Date;
}

export interface HouseRulesRow {
  version: number;
  rules: Omit<HouseRules, 'version'>;
  changed_at: Date;
  changed_by: string | null;
}

export interface TallyRow {
  generation: number;
  kind: TallyKind;
  model_id: string;
  parcel_id: string;
  about: string;
  more: string;
  n: number;
  good: number;
  revision: number;
}

export interface UnitTalliesRow {
  generation: number;
  unit_id: string;
  /** Kind, model, parcel, what it is about, what more, how many, how many good: the columns of `tallies`. */
  tallies: readonly (readonly [TallyKind, string, string, string, string, number, number])[];
}

export interface ArchiveRow {
  id: number;
  /** Its name, without a folder. */
  file: string;
  left_before: Date;
  made_at: Date;
  units: number;
  facts: number;
  sha256: string;
}

export interface ArchivedUnitRow {
  unit_id: string;
  archive_id: number;
  at_byte: number;
  bytes: number;
  facts: number;
  /** Of work on its run sheets, as far as it is not in the log. */
  seconds: number;
  /** What is counted of the facts that are not in the log. */
  counted: readonly TalliedFact[];
}

export interface TalliedRow {
  /** There is one row. */
  id: number;
  /** The log is counted up to here. */
  position: number;
  /** The tallies that are shown; 0 before there are any. */
  generation: number;
  /** Counts up with every change of a tally. */
  revision: number;
  /** While the next generation is counted: its last unit so far. */
  next_to: string | null;
  /** When the last generation was begun. */
  begun_at: Date | null;
  /** Tallies that were wrong and were put right, and when the last was. */
  mended: number;
  mended_at: Date | null;
}

export interface CounterRow {
  name: string;
  n: number;
}

/** Columns of every table, for the test that holds them against the database. */
export const columns = {
  parcels: [
    'id',
    'code',
    'supplier',
    'price_paid_cents',
    'transport_cents',
    'received_on',
    'line_count',
    'cost_rule',
    'is_counted',
    'version',
    'last_fact_id',
  ] satisfies (keyof ParcelRow)[],
  parcel_lines: [
    'id',
    'parcel_id',
    'line_no',
    'maker',
    'model',
    'serial',
    'note',
    'version',
    'last_fact_id',
  ] satisfies (keyof ParcelLineRow)[],
  units: [
    'id',
    'tag',
    'parcel_id',
    'line_no',
    'stage',
    'model_id',
    'model_version',
    'revision',
    'configuration',
    'variant',
    'serial',
    'marks',
    'found',
    'photos',
    'tests',
    'disposition',
    'apart_place',
    'is_wiped',
    'is_ownership_settled',
    'sheet',
    'timer',
    'assigned',
    'promised',
    'fitted',
    'proof',
    'sale_grade',
    'shipment',
    'version',
    'last_fact_id',
  ] satisfies (keyof UnitRow)[],
  parts: [
    'id',
    'tag',
    'part_ref',
    'model_id',
    'category',
    'interchange',
    'unit_id',
    'bought',
    'is_bought',
    'state',
    'place',
    'readings',
    'grade',
    'limiting',
    'bin',
    'assigned_to',
    'is_data_cleared',
    'carries',
    'plus_minus',
    'reuse',
    'cell',
    'conditioning',
    'conditioned_at',
    'second_look',
    'reserved_for',
    'stored_at',
    'due_at',
    'findings',
    'version',
    'last_fact_id',
  ] satisfies (keyof PartRow)[],
  facts: [
    'id',
    'position',
    'type',
    'subject_id',
    'expects',
    'person_id',
    'bench',
    'client_at',
    'server_at',
    'parcel_id',
    'unit_id',
    'part_id',
    'model_id',
    'part_ref',
    'undoes',
    'payload',
    'touched',
    'rules_version',
    'clock_off_s',
  ] satisfies (keyof FactRow)[],
  models: ['id', 'version', 'name', 'document', 'published_at', 'note', 'published_by'] satisfies (keyof ModelRow)[],
  model_cards: ['id', 'version', 'name', 'kind', 'card'] satisfies (keyof ModelCardRow)[],
  model_drafts: [
    'id',
    'model_id',
    'name',
    'based_on',
    'document',
    'version',
    'saved_by',
    'saved_at',
    'last_save_id',
  ] satisfies (keyof ModelDraftRow)[],
  openings: [
    'id',
    'maker',
    'name',
    'kind',
    'proof_of_off',
    'started_by',
    'started_at',
    'draft_id',
  ] satisfies (keyof OpeningRow)[],
  opening_entries: ['id', 'opening_id', 'log_no', 'place', 'entry', 'logged_at'] satisfies (keyof OpeningEntryRow)[],
  people: [
    'id',
    'name',
    'role',
    'pin_hash',
    'usual_bench',
    'certified_until',
    'left_at',
    'signed_in_at',
    'version',
    'put_away',
  ] satisfies (keyof PersonRow)[],
  sessions: [
    'digest',
    'id',
    'person_id',
    'bench',
    'address',
    'began_at',
    'seen_at',
    'idle_until',
    'ends_at',
  ] satisfies (keyof SessionRow)[],
  pin_tries: [
    'person_id',
    'origin',
    'failed_count',
    'wrong_count',
    'last_at',
    'locked_until',
  ] satisfies (keyof PinTryRow)[],
  known_devices: ['person_id', 'digest', 'last_at'] satisfies (keyof KnownDeviceRow)[],
  benches: ['id', 'name', 'is_in_use'] satisfies (keyof BenchRow)[],
  instrument_keys: [
    'id',
    'name',
    'bench',
    'digest',
    'made_by',
    'made_at',
    'revoked_at',
  ] satisfies (keyof InstrumentKeyRow)[],
  customer_orders: [
    'id',
    'customer',
    'model_id',
    'variant',
    'at_least',
    'count',
    'due_on',
    'extra_cents',
    'miss_cents',
    'is_firm',
    'made_by',
    'made_at',
    'closed_at',
  ] satisfies (keyof CustomerOrderRow)[],
  match_ways: ['hash', 'ways', 'made_on'] satisfies (keyof MatchWayRow)[],
  part_reserves: ['interchange', 'at_least', 'count', 'set_by', 'set_at'] satisfies (keyof PartReserveRow)[],
  purchase_offers: [
    'id',
    'interchange',
    'supplier',
    'grade',
    'cents',
    'most',
    'lead_days',
    'warranty_days',
    'made_by',
    'made_at',
    'ended_at',
  ] satisfies (keyof PurchaseOfferRow)[],
  bench_waits: ['bench', 'waits', 'said_at'] satisfies (keyof BenchWaitRow)[],
  self_tests: [
    'code',
    'unit_id',
    'part',
    'bench',
    'made_by',
    'made_at',
    'opened_at',
    'closed_at',
    'done',
  ] satisfies (keyof SelfTestRow)[],
  instrument_readings: [
    'no',
    'id',
    'bench',
    'message',
    'became',
    'received_at',
  ] satisfies (keyof InstrumentReadingRow)[],
  read_keys: [
    'id',
    'name',
    'digest',
    'made_by',
    'made_at',
    'last_used_at',
    'revoked_at',
  ] satisfies (keyof ReadKeyRow)[],
  bit_lives: ['bench', 'drive', 'from_position', 'screws', 'stripped'] satisfies (keyof BitLifeRow)[],
  contacts: ['kind', 'name', 'address', 'noted_by', 'noted_at'] satisfies (keyof ContactRow)[],
  doers: ['fact_id', 'person_id', 'noted_by', 'noted_at'] satisfies (keyof DoerRow)[],
  prices: ['id', 'model_id', 'part_ref', 'cents', 'from_day', 'set_by', 'set_at'] satisfies (keyof PriceRow)[],
  shop_changes: ['id', 'kind', 'about', 'fields', 'changed_by', 'changed_at'] satisfies (keyof ShopChangeRow)[],
  fact_parts: ['part_id', 'position'] satisfies (keyof FactPartRow)[],
  supplies: [
    'key',
    'counted',
    'counted_at',
    'used_then',
    'received',
    'lead_days',
    'version',
  ] satisfies (keyof SupplyRow)[],
  racks: ['code', 'row_count', 'boxes', 'room', 'category', 'is_in_use'] satisfies (keyof RackRow)[],
  tallies: [
    'generation',
    'kind',
    'model_id',
    'parcel_id',
    'about',
    'more',
    'n',
    'good',
    'revision',
  ] satisfies (keyof TallyRow)[],
  unit_tallies: ['generation', 'unit_id', 'tallies'] satisfies (keyof UnitTalliesRow)[],
  archives: ['id', 'file', 'left_before', 'made_at', 'units', 'facts', 'sha256'] satisfies (keyof ArchiveRow)[],
  archived_units: [
    'unit_id',
    'archive_id',
    'at_byte',
    'bytes',
    'facts',
    'seconds',
    'counted',
  ] satisfies (keyof ArchivedUnitRow)[],
  tallied: [
    'id',
    'position',
    'generation',
    'revision',
    'next_to',
    'begun_at',
    'mended',
    'mended_at',
  ] satisfies (keyof TalliedRow)[],
  counters: ['name', 'n'] satisfies (keyof CounterRow)[],
  house_rules: ['version', 'rules', 'changed_at', 'changed_by'] satisfies (keyof HouseRulesRow)[],
  label_jobs: ['id', 'fact_id', 'tag', 'made_at', 'printed_at', 'taken_by', 'taken_at'] satisfies (keyof LabelJobRow)[],
  label_printers: ['key_id', 'asked_at', 'trouble', 'is_simulated'] satisfies (keyof LabelPrinterRow)[],
  supplier_columns: ['supplier', 'mapping'] satisfies (keyof SupplierColumnsRow)[],
  lost_serials: ['serial', 'reported_by', 'reported_at'] satisfies (keyof LostSerialRow)[],
  rehearsals: [
    'person_id',
    'model_id',
    'item',
    'box',
    'due_on',
    'right_count',
    'wrong_count',
  ] satisfies (keyof RehearsalRow)[],
  unit_photos: ['id', 'unit_id', 'jpeg', 'taken_by', 'taken_at'] satisfies (keyof UnitPhotoRow)[],
  unit_holds: ['unit_id', 'person_id', 'until'] satisfies (keyof UnitHoldRow)[],
};
