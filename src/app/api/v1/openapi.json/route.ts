import { NextResponse } from 'next/server';
import document from '../../../../../docs/formats/reading.openapi.json';
import { guardReader } from '../reading';

/** What can be read and how, in the OpenAPI format. */
export const GET = guardReader(async () => NextResponse.json(document));
