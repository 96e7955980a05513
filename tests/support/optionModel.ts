import type { Column, LinearModel, Row } from '@/core/matchPlan/linearModel';
import { deadlinesOf, rankOf, type MatchProblem } from '@/core/matchPlan/problem';

/**
 * The same problem in another way, unit by unit: one yes or no for each fate of each unit by each deadline, one for each part of each slot
 * of each build from each single place, and one for each unit that goes to an order. Nothing is counted together. Costs are
 * worked out here by themselves.
 */
export function optionModel(problem: MatchProblem): LinearModel {
  const columns: Column[] = [];
  const rows: Row[] = [];
  const choice = (name: string, gain: number, high = 1, isWhole = true) =>
    columns.push({ name, gain, low: 0, high, isWhole }) - 1;
  const row = (name: string, low: number, high: number, terms: Row['terms']) => rows.push({ name, low, high, terms });
  const days = deadlinesOf(problem);
  const last = days.length - 1;
  const minutes = new Map<string, [number, number][]>();
  const uses = (column: number, by: number, of: Readonly<Record<string, number>>) => {
    for (const [id, taken] of Object.entries(of))
      for (let at = by; at <= last; at += 1) {
        const key = `${id} ${at}`;
        minutes.set(key, [...(minutes.get(key) ?? []), [column, taken]]);
      }
  };
  const units = problem.units.flatMap((group) => group.tags.map((tag) => ({ tag, group })));
  const built: { tag: string; sellsAs: string; grade: string; by: number; column: number }[] = [];
  const fateOf = new Map<string, [number, string][]>();
  const donorBy: { tag: string; level: string; by: number; column: number }[] = [];
  const needs: {
    tag: string;
    build: number;
    by: number;
    need: (typeof units)[number]['group']['builds'][number]['needs'][number];
  }[] = [];
  for (const { tag, group } of units) {
    const all: [number, string][] = [[choice(`${tag} hold`, 0), 'hold']];
    if (group.asIs) {
      const column = choice(`${tag} as-is`, group.asIs.cents);
      uses(column, last, group.asIs.uses);
      all.push([column, 'as-is']);
    }
    if (group.recycle) all.push([choice(`${tag} recycle`, group.recycle.cents), 'recycle']);
    for (let by = 0; by <= last; by += 1) {
      for (const level of group.levels) {
        const column = choice(`${tag} donor ${level.id} ${by}`, level.cents);
        uses(column, by, level.uses);
        all.push([column, 'donor']);
        donorBy.push({ tag, level: level.id, by, column });
      }
      for (const build of group.builds) {
        const column = choice(`${tag} build ${build.id} ${by}`, build.cents);
        uses(column, by, build.uses);
        all.push([column, `build ${build.grade}`]);
        built.push({ tag, sellsAs: build.sellsAs, grade: build.grade, by, column });
        for (const need of build.needs) needs.push({ tag, build: column, by, need });
      }
    }
    fateOf.set(tag, all);
    row(
      `once ${tag}`,
      1,
      1,
      all.map(([column]) => [column, 1]),
    );
  }
  const takenOf = new Map<string, [number, number][]>();
  const donated: { column: number; tag: string; slot: string; by: number; given: string; from: string }[] = [];
  const into: { column: number; tag: string; slot: string; from: string; build: number }[] = [];
  for (const { tag, build, by, need } of needs) {
    const own: [number, number][] = [];
    const moved = (brings: { model: string; parts: readonly string[] } | undefined) =>
      (need.moves?.parts ?? []).filter(
        ({ part }) => !(brings && brings.model === need.moves?.model && brings.parts.includes(part)),
      );
    const put = (from: string, cents: number, brings: Parameters<typeof moved>[0]) => {
      const moves = moved(brings);
      const column = choice(
        `${tag} ${need.slot} from ${from} ${by}`,
        -Math.round(cents + moves.reduce((sum, one) => sum + one.cents, 0)),
      );
      for (const one of moves) uses(column, by, one.uses);
      own.push([column, 1]);
      into.push({ column, tag, slot: need.slot, from, build });
      return column;
    };
    const fits = (of: string, grade: 'A' | 'B' | 'C' | 'D') => of === need.of && rankOf(grade) <= rankOf(need.atLeast);
    for (const lot of problem.lots)
      if (fits(lot.of, lot.grade) && (lot.for === undefined || lot.for === tag)) {
        const { chance, failCents } = lot.coming ?? { chance: 1, failCents: 0 };
        const cents = chance * need.share * lot.worthCents + (1 - chance) * failCents;
        const column = put(lot.id, cents, lot.brings);
        takenOf.set(lot.id, [...(takenOf.get(lot.id) ?? []), [column, 1]]);
      }
    for (const offer of problem.offers)
      if (fits(offer.of, offer.grade) && offer.leadDays <= (days[by] as number)) {
        const column = put(offer.id, offer.cents - (1 - need.share) * offer.worthCents, undefined);
        takenOf.set(offer.id, [...(takenOf.get(offer.id) ?? []), [column, 1]]);
      }
    for (const donor of units)
      for (const given of new Map(
        donor.group.levels.flatMap(({ gives }) => gives.map((one) => [JSON.stringify(one), one] as const)),
      ).values())
        if (fits(given.of, given.grade)) {
          const cents = need.share * given.chance * given.worthCents + (1 - given.chance) * given.failCents;
          const column = put(donor.tag, cents, given.brings);
          donated.push({ column, tag: donor.tag, slot: given.slot, by, given: JSON.stringify(given), from: donor.tag });
        }
    row(`fill ${tag} ${need.slot} ${build}`, 0, 0, [...own, [build, -1]]);
  }
  for (const { id, count } of problem.lots) row(`lot ${id}`, 0, count, takenOf.get(id) ?? []);
  for (const { id, most } of problem.offers) if (most !== null) row(`offer ${id}`, 0, most, takenOf.get(id) ?? []);
  for (const { tag, group } of units)
    for (const slot of new Set(group.levels.flatMap(({ gives }) => gives.map((one) => one.slot)))) {
      const from = donated.filter((one) => one.tag === tag && one.slot === slot);
      row(
        `once given ${tag} ${slot}`,
        0,
        1,
        from.map(({ column }) => [column, 1]),
      );
      for (const given of new Set(from.map((one) => one.given)))
        for (let by = 0; by <= last; by += 1) {
          const giving = donorBy.filter(
            (one) =>
              one.tag === tag &&
              one.by <= by &&
              group.levels.find(({ id }) => id === one.level)?.gives.some((own) => JSON.stringify(own) === given),
          );
          row(`given ${tag} ${slot} ${by}`, -Infinity, 0, [
            ...from.filter((one) => one.given === given && one.by <= by).map(({ column }) => [column, 1] as const),
            ...giving.map(({ column }) => [column, -1] as const),
          ]);
        }
    }
  for (const { id, minutes: most } of problem.resources)
    for (const [at, day] of days.entries())
      row(
        `minutes ${id} ${at}`,
        -Infinity,
        (most * day) / problem.horizonDays,
        sumUp(minutes.get(`${id} ${at}`) ?? []),
      );
  const going = new Map<number, [number, number][]>();
  for (const order of problem.orders) {
    const by =
      order.days === null ? last : days.findIndex((day) => day >= Math.min(order.days as number, days[last] as number));
    const own = built
      .filter((one) => one.sellsAs === order.sellsAs && one.grade <= order.atLeast && one.by <= by)
      .map((one): [number, number] => {
        const column = choice(`${one.tag} to ${order.id}`, order.extraCents);
        going.set(one.column, [...(going.get(one.column) ?? []), [column, 1]]);
        return [column, 1];
      });
    const missing = choice(`missing ${order.id}`, -order.missCents, order.isFirm ? 0 : order.count);
    row(`order ${order.id}`, order.count, order.count, [...own, [missing, 1]]);
  }
  for (const [column, some] of going) row(`to one order ${column}`, -Infinity, 0, [...some, [column, -1]]);
  for (const { sellsAs, grade, after, cents } of problem.falls) {
    const beyond = choice('beyond', -cents, Infinity, false);
    const sold = built.filter((one) => one.sellsAs === sellsAs && one.grade === grade);
    row('fall', -Infinity, after, [...sold.map(({ column }) => [column, 1] as const), [beyond, -1]]);
  }
  for (const { of, atLeast, count } of problem.reserves) {
    const kept = problem.lots.filter((lot) => lot.of === of && lot.grade <= atLeast);
    const there = kept.reduce((sum, lot) => sum + lot.count, 0);
    row(
      'reserve',
      0,
      Math.max(0, there - count),
      kept.flatMap(({ id }) => takenOf.get(id) ?? []),
    );
  }
  for (const { tag, fate, grade, is } of problem.wishes) {
    const meant = (fateOf.get(tag) ?? []).filter(([, name]) =>
      grade === undefined ? name.startsWith(fate) : name === `${fate} ${grade}`,
    );
    row(
      'wish',
      Number(is === 'pinned'),
      Number(is === 'pinned'),
      meant.map(([column]) => [column, 1]),
    );
  }
  for (const { tag, slot, from, is } of problem.slotWishes) {
    const own = into.filter((one) => one.tag === tag && one.slot === slot && one.from === from);
    if (is === 'forbidden')
      row(
        'slot wish',
        0,
        0,
        own.map(({ column }) => [column, 1]),
      );
    else
      for (const build of new Set(
        needs.filter((one) => one.tag === tag && one.need.slot === slot).map((one) => one.build),
      ))
        row('slot wish', 0, Infinity, [
          ...own.filter((one) => one.build === build).map(({ column }) => [column, 1] as const),
          [build, -1],
        ]);
  }
  const { keeps } = problem;
  const keep = (own: readonly number[]) => {
    if (keeps)
      row('kept', -Infinity, 0, [[choice('kept', keeps.eachCents), 1], ...own.map((one) => [one, -1] as const)]);
  };
  for (const { tag, fate } of keeps?.fates ?? [])
    keep((fateOf.get(tag) ?? []).flatMap(([column, name]) => (name.startsWith(fate) ? [column] : [])));
  for (const { from, part, tag } of keeps?.parts ?? [])
    keep(
      donated.flatMap((one) =>
        one.tag === from && one.slot === part && into.some((own) => own.column === one.column && own.tag === tag)
          ? [one.column]
          : [],
      ),
    );
  return { columns, rows };
}

const sumUp = (terms: readonly (readonly [number, number])[]): Row['terms'] => {
  const sums = new Map<number, number>();
  for (const [column, factor] of terms) sums.set(column, (sums.get(column) ?? 0) + factor);
  return [...sums];
};
