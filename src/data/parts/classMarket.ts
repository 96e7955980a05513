import type { Knex } from 'knex';

/** What lies on the shelf of an interchange class, and how much of it goes into units. */
export interface ClassCount {
  readonly interchange: string;
  readonly stock: number;
  readonly used: number;
}

/** By interchange class: parts on the shelf now, and parts set aside for a build since a day and not given back. */
export async function classMarket(db: Knex, since: Date): Promise<readonly ClassCount[]> {
  const [rows] = (await db.raw(
    `
    with used as (
      select p.interchange, count(*) as used
      from facts e
      join parts p on p.id = convert(json_value(e.payload, '$.partId') using ascii)
      left join facts back on back.undoes = e.id
      where e.type = 'part-assigned' and e.client_at >= ? and back.id is null
      group by p.interchange
    ), stock as (
      select interchange, count(*) as stock from parts where place = 'shelf' group by interchange
    )
    select c.interchange, coalesce(s.stock, 0) as stock, coalesce(u.used, 0) as used
    from (select interchange from used union select interchange from stock) c
    left join used u on u.interchange = c.interchange
    left join stock s on s.interchange = c.interchange`,
    [since],
  )) as [ClassCount[]] | [ClassCount[], unknown];
  return rows.map(({ interchange, stock, used }) => ({ interchange, stock: Number(stock), used: Number(used) }));
}
