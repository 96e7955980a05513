import { database } from '@/data/connection';
import { lastPosition } from '@/data/facts/factRepository';

/** Open to everyone: says only whether work can be done, which takes the database. Who hands out requests asks here. */
export async function GET(): Promise<Response> {
  try {
    await lastPosition(database());
    return Response.json({ application: 'answers', database: 'answers' });
  } catch {
    return Response.json({ application: 'answers', database: 'away' }, { status: 503 });
  }
}
