import 'server-only';
import { redirect } from 'next/navigation';
import { NextResponse, type NextRequest } from 'next/server';
import { cache } from 'react';
import { isAtLeastRole, type Person, type Role } from '@/core/people/roles';
import { refuse, type Outcome } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { isDatabaseAway } from '@/data/errors';
import { readSignedIn } from '@/services/people/readSignedIn';
import { readSession } from './session';

/**
 * The one place that asks who may do what. Every page calls `guardPage`, every route handler is made by `guardRoute`,
 * every action calls `guardAction`; a test walks the folders and fails on one that does not.
 */
export async function guardPage(role: Role = 'viewer'): Promise<Person> {
  const person = await personHere();
  if (!person) redirect('/sign-in');
  if (!isAtLeastRole(person.role, role)) redirect('/');
  return person;
}

/** Who sent this request, as they are now; asked once however many parts of a page want to know. */
export const personHere = cache(async (): Promise<Person | undefined> => {
  const { signedIn } = await readSession();
  return signedIn && readSignedIn(database(), signedIn);
});

export async function guardAction(role: Role): Promise<Outcome<Person>> {
  const person = await personHere();
  if (!person) return refuse('not-signed-in');
  return isAtLeastRole(person.role, role)
    ? { ok: true, value: person }
    : refuse('not-permitted', { role: person.role });
}

type Handler<C> = (request: NextRequest, person: Person, context: C) => Promise<Response>;

/** A route handler for people of at least a role. Writing is only for requests from our own pages. */
export function guardRoute<C = unknown>(role: Role, handle: Handler<C>) {
  return async (request: NextRequest, context: C): Promise<Response> => {
    if (request.method !== 'GET' && !isOwnPage(request))
      return answerRefusal(refuse('not-permitted', { role: 'foreign page' }), 403);
    try {
      const guarded = await guardAction(role);
      if (!guarded.ok) return answerRefusal(guarded, guarded.refusal.reason === 'not-signed-in' ? 401 : 403);
      return await handle(request, guarded.value, context);
    } catch (error) {
      const isAway = isDatabaseAway(error);
      console.error(isAway ? 'The database does not answer.' : error);
      return answerRefusal(refuse(isAway ? 'database-away' : 'fault'), isAway ? 503 : 500);
    }
  };
}

/** Refuses requests that another site made a browser send. */
function isOwnPage(request: NextRequest): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site) return site === 'same-origin';
  const origin = request.headers.get('origin');
  return origin === null || new URL(origin).host === request.headers.get('host');
}

export function answerRefusal(outcome: Outcome<never>, status = 422): NextResponse {
  return NextResponse.json(outcome.ok ? {} : { refusal: outcome.refusal }, { status });
}
