import { NextResponse } from 'next/server';
import { guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { findModels } from '@/services/models/findModels';

/** Models of the library that answer what was typed. */
export const GET = guardRoute('GET /api/models/find', async (request) => {
  const asked = (name: string) => (request.nextUrl.searchParams.get(name) ?? '').slice(0, 80);
  const query = { text: asked('text'), kind: asked('kind'), maker: asked('maker'), feature: asked('feature') };
  return NextResponse.json(await findModels(database(), query));
});
