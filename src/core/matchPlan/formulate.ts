import { saleGrades, type SaleGrade } from '@/core/shared/grades';
import { grouped } from '@/core/shared/grouped';
import {
  type FateColumn,
  type SupplyColumn,
  type PlacedSource,
  type Kind,
  kindOf,
  ownKinds,
  withWishesApart,
  fatesOf,
  kindsOf,
  suppliesOf,
  sourcesOf,
  givesIt,
} from './columns';
import { ModelWriter, type LinearModel } from './linearModel';
import { deadlinesOf, movesTo, partFrom, rankOf, type MatchProblem, type Need, type Order, type Uses } from './problem';

/** Units of one grade that go to an order. */
export interface DeliveryColumn {
  readonly column: number;
  readonly order: Order;
  readonly grade: SaleGrade;
  readonly by: number;
}

/** The integer programme of a problem, and what its columns say. */
export interface Formulation {
  readonly model: LinearModel;
  readonly deadlines: readonly number[];
  readonly fates: readonly FateColumn[];
  readonly supplies: readonly SupplyColumn[];
  readonly deliveries: readonly DeliveryColumn[];
  readonly missing: readonly { readonly column: number; readonly order: Order }[];
  readonly kinds: readonly Kind[];
  /** Rows that say that slots of a kind are filled, and that units become something. */
  readonly slotRows: readonly {
    readonly row: number;
    readonly kind: string;
    readonly rank: number;
    readonly by: number;
  }[];
  readonly unitRows: readonly { readonly row: number; readonly group: string }[];
}

/**
 * The match plan as an integer programme, aggregated: units that are alike are counted, and of parts only how many go from
 * where into slots of which kind. Parts of a grade or better must be as many as the slots that ask for that grade or better,
 * for each grade; that is enough for all of them to be filled, since what does for a strict slot does for every other one.
 * By each deadline at once: what is done sooner counts for what is due later.
 *
 * @param given  units with wishes stand alone: see `withWishesApart`
 * Source: transportation with nested demands (Hall's condition for intervals); own derivation
 */
export function formulate(given: MatchProblem): Formulation {
  const problem = withWishesApart(given);
  const writer = new ModelWriter();
  const deadlines = deadlinesOf(problem);
  const own = ownKinds(problem);
  const fates = problem.units.flatMap((group) => fatesOf(writer, problem, group, deadlines));
  const kinds = kindsOf(fates, own);
  const supplies = suppliesOf(writer, problem, kinds, deadlines);
  const unitRows = everyUnitOnce(writer, problem, fates);
  const slotRows = everySlotFilled(writer, kinds, supplies, deadlines);
  noMoreThanThereIs(writer, problem, fates, supplies, deadlines);
  withinMinutes(writer, problem, fates, kinds, supplies, deadlines);
  const { deliveries, missing } = ordersMet(writer, problem, fates, deadlines);
  fallingPrices(writer, problem, fates);
  reservesKept(writer, problem, supplies);
  wishesKept(writer, problem, fates, supplies, own);
  acceptedKept(writer, problem, fates, kinds, supplies);
  return {
    model: { columns: writer.columns, rows: writer.rows },
    deadlines,
    fates,
    supplies,
    deliveries,
    missing,
    kinds,
    slotRows,
    unitRows,
  };
}

function everyUnitOnce(
  writer: ModelWriter,
  { units }: MatchProblem,
  fates: readonly FateColumn[],
): Formulation['unitRows'] {
  const of = grouped(fates, ({ group }) => group.id);
  return units.map(({ id, tags }) => {
    const row = writer.rows.length;
    writer.row(
      `unit|${id}`,
      tags.length,
      tags.length,
      (of.get(id) ?? []).map(({ column }) => [column, 1]),
    );
    return { row, group: id };
  });
}

function everySlotFilled(
  writer: ModelWriter,
  kinds: readonly Kind[],
  supplies: readonly SupplyColumn[],
  deadlines: readonly number[],
): Formulation['slotRows'] {
  const rows: Formulation['slotRows'][number][] = [];
  const of = grouped(supplies, ({ kind }) => kind);
  for (const { key, wanted } of kinds) {
    const dues = new Set(wanted.map(({ fate }) => fate.by));
    for (const by of deadlines.keys()) {
      if (!dues.has(by)) continue;
      const due = wanted.filter(({ fate }) => fate.by === by);
      const worst = Math.max(...due.map((one) => one.rank));
      for (const rank of new Set(due.map((one) => one.rank))) {
        const name = `slot|${key.replaceAll(/[\r\n]/g, ' ')}|${saleGrades[rank]}|${by}`;
        rows.push({ row: writer.rows.length, kind: key, rank, by });
        // Each slot takes one part and no more: a part that weighs more than it costs is not taken for nothing.
        writer.row(name, 0, rank === worst ? 0 : Infinity, [
          ...(of.get(key) ?? [])
            .filter((one) => one.by === by && rankOf(partFrom(one.source).grade) <= rank)
            .map(({ column }) => [column, 1] as const),
          ...due.filter((one) => one.rank <= rank).map(({ fate }) => [fate.column, -1] as const),
        ]);
      }
    }
  }
  return rows;
}

function noMoreThanThereIs(
  writer: ModelWriter,
  problem: MatchProblem,
  fates: readonly FateColumn[],
  supplies: readonly SupplyColumn[],
  deadlines: readonly number[],
): void {
  const from = grouped(supplies, ({ source }) => source.id);
  const donors = grouped(
    fates.filter(({ level }) => level !== null),
    ({ group }) => group.id,
  );
  for (const source of sourcesOf(problem)) {
    const taken = from.get(source.id) ?? [];
    if (taken.length === 0) continue;
    const terms = taken.map(({ column }) => [column, 1] as const);
    if (source.is === 'lot') writer.row(`lot|${source.id}`, 0, source.lot.count, terms);
    else if (source.is === 'offer') {
      if (source.offer.most !== null) writer.row(`offer|${source.id}`, 0, source.offer.most, terms);
    } else
      for (const by of deadlines.keys()) {
        const giving = (donors.get(source.group?.id ?? '') ?? []).filter(
          (fate) => fate.by <= by && fate.level !== null && givesIt(fate.level, source.given),
        );
        writer.row(`donor|${source.id}|${by}`, -Infinity, 0, [
          ...taken.filter((one) => one.by <= by).map(({ column }) => [column, 1] as const),
          ...giving.map(({ column }) => [column, -1] as const),
        ]);
      }
  }
}

/** What a fate takes of everything that can run short. */
export const usesOf = ({ build, level, fate, group }: Pick<FateColumn, 'build' | 'level' | 'fate' | 'group'>): Uses =>
  build?.uses ?? level?.uses ?? (fate === 'as-is' ? (group.asIs?.uses ?? {}) : {});

function withinMinutes(
  writer: ModelWriter,
  { resources, horizonDays }: MatchProblem,
  fates: readonly FateColumn[],
  kinds: readonly Kind[],
  supplies: readonly SupplyColumn[],
  deadlines: readonly number[],
): void {
  const needOf = new Map(kinds.map(({ key, need }) => [key, need]));
  for (const { id, minutes } of resources)
    for (const [by, day] of deadlines.entries()) {
      const moved = ({ kind, source }: SupplyColumn) =>
        movesTo(needOf.get(kind) as Need, partFrom(source)).reduce((sum, { uses }) => sum + (uses[id] ?? 0), 0);
      writer.row(`minutes|${id}|${by}`, -Infinity, (minutes * day) / horizonDays, [
        ...fates.filter((fate) => fate.by <= by).map((fate) => [fate.column, usesOf(fate)[id] ?? 0] as const),
        ...supplies.filter((one) => one.by <= by).map((one) => [one.column, moved(one)] as const),
      ]);
    }
}

function ordersMet(
  writer: ModelWriter,
  { orders }: MatchProblem,
  fates: readonly FateColumn[],
  deadlines: readonly number[],
): Pick<Formulation, 'deliveries' | 'missing'> {
  const deliveries: DeliveryColumn[] = [];
  const missing: { column: number; order: Order }[] = [];
  const last = deadlines.length - 1;
  for (const order of orders) {
    const due = order.days === null ? last : deadlines.findIndex((day) => day >= (order.days as number));
    const by = due < 0 ? last : due;
    const made: DeliveryColumn[] = [];
    for (const grade of saleGrades.filter((own) => rankOf(own) <= rankOf(order.atLeast)))
      for (let at = 0; at <= by; at += 1) {
        const builds = fates.some(
          (fate) => fate.build?.sellsAs === order.sellsAs && fate.build.grade === grade && fate.by === at,
        );
        if (!builds) continue;
        const name = ['order', order.id, grade, at].join('|');
        const column = writer.column({ name, gain: order.extraCents, low: 0, high: order.count, isWhole: true });
        made.push({ column, order, grade, by: at });
      }
    const column = writer.column({
      name: `missing|${order.id}`,
      gain: -order.missCents,
      low: 0,
      high: order.isFirm ? 0 : order.count,
      isWhole: true,
    });
    missing.push({ column, order });
    deliveries.push(...made);
    writer.row(`order|${order.id}`, order.count, order.count, [
      ...made.map((one) => [one.column, 1] as const),
      [column, 1],
    ]);
  }
  for (const sellsAs of new Set(orders.map((order) => order.sellsAs)))
    for (const grade of saleGrades)
      for (const at of deadlines.keys()) {
        const built = fates.filter(({ build, by }) => build?.sellsAs === sellsAs && build.grade === grade && by === at);
        writer.row(`built|${sellsAs}|${grade}|${at}`, -Infinity, 0, [
          ...deliveries
            .filter((one) => one.order.sellsAs === sellsAs && one.grade === grade && one.by === at)
            .map(({ column }) => [column, 1] as const),
          ...built.map(({ column }) => [column, -1] as const),
        ]);
      }
  return { deliveries, missing };
}

function fallingPrices(writer: ModelWriter, { falls }: MatchProblem, fates: readonly FateColumn[]): void {
  for (const [at, { sellsAs, grade, after, cents }] of falls.entries()) {
    const sold = fates.filter(({ build }) => build?.sellsAs === sellsAs && build.grade === grade);
    if (sold.length === 0) continue;
    const name = `beyond|${at}`;
    // As few as there must be: it is whole by itself.
    const column = writer.column({ name, gain: -cents, low: 0, high: Infinity, isWhole: false });
    writer.row(name, -Infinity, after, [...sold.map((fate) => [fate.column, 1] as const), [column, -1]]);
  }
}

function reservesKept(writer: ModelWriter, { reserves, lots }: MatchProblem, supplies: readonly SupplyColumn[]): void {
  for (const [at, { of, atLeast, count }] of reserves.entries()) {
    const kept = lots.filter((lot) => lot.of === of && rankOf(lot.grade) <= rankOf(atLeast));
    const there = kept.reduce((sum, lot) => sum + lot.count, 0);
    // What is not there cannot be kept.
    writer.row(
      `reserve|${at}`,
      0,
      Math.max(0, there - count),
      supplies
        .filter(({ source }) => source.is === 'lot' && kept.includes(source.lot))
        .map(({ column }) => [column, 1]),
    );
  }
}

function wishesKept(
  writer: ModelWriter,
  { wishes, slotWishes, units }: MatchProblem,
  fates: readonly FateColumn[],
  supplies: readonly SupplyColumn[],
  own: ReadonlySet<string>,
): void {
  for (const [at, { tag, fate, grade, is }] of wishes.entries()) {
    const meant = fates.filter(
      (one) => one.group.tags.includes(tag) && one.fate === fate && (grade === undefined || one.build?.grade === grade),
    );
    const wanted = is === 'pinned' ? 1 : 0;
    writer.row(
      `wish|${at}`,
      wanted,
      wanted,
      meant.map(({ column }) => [column, 1]),
    );
  }
  for (const [at, { tag, slot, from, is }] of slotWishes.entries()) {
    const group = units.find(({ tags }) => tags.includes(tag));
    if (!group) continue;
    const builds = fates.filter(
      (one) => one.group.id === group.id && one.build?.needs.some((need) => need.slot === slot),
    );
    const kinds = new Set(
      builds.flatMap(({ build }) =>
        (build?.needs ?? []).filter((need) => need.slot === slot).map((need) => kindOf(group, need, own)),
      ),
    );
    const isFrom = (source: PlacedSource) => source.id === from || (source.group?.tags.includes(from) ?? false);
    const into = supplies.filter(({ kind, source }) => kinds.has(kind) && isFrom(source));
    const terms = into.map(({ column }) => [column, 1] as const);
    // Pinned: if it is built at all, then with that part in that slot.
    if (is === 'forbidden') writer.row(`slot-wish|${at}`, 0, 0, terms);
    else writer.row(`slot-wish|${at}`, 0, Infinity, [...terms, ...builds.map(({ column }) => [column, -1] as const)]);
  }
}

/** Counts what stays as it was accepted: as much as there is, since it weighs something. */
function acceptedKept(
  writer: ModelWriter,
  { keeps, units }: MatchProblem,
  fates: readonly FateColumn[],
  kinds: readonly Kind[],
  supplies: readonly SupplyColumn[],
): void {
  if (!keeps) return;
  const keep = (name: string, most: number, columns: readonly { readonly column: number }[]) => {
    // Whole by itself: the lesser of two whole numbers.
    const column = writer.column({ name, gain: keeps.eachCents, low: 0, high: most, isWhole: false });
    writer.row(name, -Infinity, 0, [[column, 1], ...columns.map((one) => [one.column, -1] as const)]);
  };
  const columnsOf = grouped(fates, ({ group, fate }) => `${group.id}|${fate}`);
  for (const { id, tags } of units) {
    const own = keeps.fates.filter(({ tag }) => tags.includes(tag));
    for (const [fate, some] of grouped(own, (one) => one.fate))
      keep(`kept|${id}|${fate}`, some.length, columnsOf.get(`${id}|${fate}`) ?? []);
  }
  const kindsOfUnit = (tag: string) =>
    new Set(
      kinds.filter(({ wanted }) => wanted.every(({ fate }) => fate.group.tags.includes(tag))).map(({ key }) => key),
    );
  for (const { from, part, tag } of keeps.parts) {
    const own = kindsOfUnit(tag);
    const into = supplies.filter(
      ({ kind, source }) =>
        own.has(kind) && source.is === 'donor' && source.given.slot === part && source.group?.tags.includes(from),
    );
    keep(`kept|${from}|${part}|${tag}`, 1, into);
  }
}
