import type { Knex } from 'knex';

/** Which facts did something to which part, read once out of a log from before it was noted with each. */
export const fillFactParts = (db: Knex): Knex.Raw =>
  db.raw(
    `insert into fact_parts (part_id, position)
     select j.id, e.position from facts e join json_table(e.touched, '$[*]' columns (
       kind varchar(10) character set ascii path '$.kind', id varchar(36) character set ascii path '$.id')) j
     where j.kind = 'part'
     union
     select e.part_id, e.position from facts e where e.part_id is not null`,
  );
