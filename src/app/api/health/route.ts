import { NextResponse } from 'next/server';
import { database } from '@/data/connection';
import { lastPosition } from '@/data/facts/factRepository';

/** Open to everyone: says only whether application and database answer. */
export async function GET(): Promise<Response> {
  try {
    await lastPosition(database());
    return NextResponse.json({ application: 'answers', database: 'answers' });
  } catch {
    return NextResponse.json({ application: 'answers', database: 'away' }, { status: 503 });
  }
}
