import { guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { takeShippedModels } from '@/services/models/takeShippedModels';

/** Takes in the models that ship with the application. */
export const POST = guardRoute('POST /api/models/shipped', async (_, person) =>
  Response.json({ taken: await takeShippedModels(database(), { at: new Date(), by: person.name }) }),
);
