import { guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { readBuyable } from '@/services/shelf/readBuyable';

/** Which parts of which models can be booked in. */
export const GET = guardRoute('GET /api/shelf/buyable', async () => Response.json(await readBuyable(database())));
