import type { Knex } from 'knex';
import type { ShelfPace } from '@/core/shelf/roomLeft';

const dayMs = 24 * 3600 * 1000;

/** What was put on the shelf and taken from it of late, by the log: over so many days, or since the shop shelved its first part. */
export async function shelfPace(db: Knex, now: Date, mostDays: number): Promise<ShelfPace> {
  const since = new Date(now.getTime() - mostDays * dayMs);
  const [rows] = (await db.raw(
    `select cast(coalesce(sum(e.type = 'part-shelved'), 0) as signed) as stored,
            cast(coalesce(sum(e.type <> 'part-shelved'), 0) as signed) as taken,
            (select min(f.server_at) from facts f where f.type = 'part-shelved') as firstAt
     from facts e left join facts back on back.undoes = e.id
     where e.type in ('part-shelved', 'part-assigned', 'part-scrapped') and e.server_at >= ? and back.id is null
       and (e.type <> 'part-scrapped' or exists (
         select 1 from facts s where s.part_id = e.part_id and s.type = 'part-shelved' and s.position < e.position))`,
    [since],
  )) as [{ stored: number; taken: number; firstAt: Date | null }[], unknown];
  const [{ stored, taken, firstAt }] = rows as [(typeof rows)[number]];
  const days = firstAt ? Math.min(mostDays, Math.ceil((now.getTime() - firstAt.getTime()) / dayMs)) : 0;
  return { stored: Number(stored), taken: Number(taken), days };
}
