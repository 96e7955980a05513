import 'server-only';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { NextResponse, type NextRequest } from 'next/server';
import { cache } from 'react';
import { isAtLeastRole, type Person, type Role } from '@/core/people/roles';
import { refuse, type Outcome } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { isDatabaseAway, isNobodysName } from '@/data/errors';
import { readSignedIn } from '@/services/people/readSignedIn';
import { refuseLength } from './limits';
import { actionRights, pageRights, routeRights } from './rights';
import { isPress, tokenHere, tokenOf } from './session';

/**
 * The one place that asks who may do what. Every page calls `guardPage`, every route handler is made by `guardRoute`,
 * every action calls `guardAction`; a test walks the folders and fails on one that does not.
 */
export async function guardPage(page: keyof typeof pageRights): Promise<Person> {
  const person = await personHere();
  if (!person) redirect('/sign-in');
  if (!isAtLeastRole(person.role, pageRights[page])) redirect('/');
  return person;
}

/** Who sent this request, as they are now; asked once however many parts of a page want to know. */
export const personHere = cache(async (): Promise<Person | undefined> => {
  const token = await tokenHere();
  return token === undefined ? undefined : readSignedIn(database(), token, new Date(), isPress(await headers()));
});

/** What an open page asks and says without anybody pressing anything. */
const byItself: readonly string[] = ['/api/live', '/api/instruments/stream', '/api/instruments/wait'];

/** Who sent a request to a route, as they are now. */
export async function personOf(request: NextRequest): Promise<Person | undefined> {
  const token = tokenOf(request);
  const press = isPress(request.headers) && !byItself.includes(request.nextUrl.pathname);
  return token === undefined ? undefined : readSignedIn(database(), token, new Date(), press);
}

export const guardAction = async (action: keyof typeof actionRights): Promise<Outcome<Person>> =>
  permitted(await personHere(), actionRights[action]);

function permitted(person: Person | undefined, role: Role): Outcome<Person> {
  if (!person) return refuse('not-signed-in');
  return isAtLeastRole(person.role, role)
    ? { ok: true, value: person }
    : refuse('not-permitted', { role: person.role });
}

type Handler<C> = (request: NextRequest, person: Person, context: C) => Promise<Response>;

/** A route handler for people of at least the role that the table says. Writing is only for requests from our own pages. */
export function guardRoute<C = unknown>(route: keyof typeof routeRights, handle: Handler<C>) {
  return async (request: NextRequest, context: C): Promise<Response> => {
    if (request.method !== 'GET' && !isOwnPage(request))
      return answerRefusal(refuse('not-permitted', { role: 'foreign page' }), 403);
    const tooLong = refuseLength(route, Number(request.headers.get('content-length') ?? 0));
    if (tooLong) return answerRefusal(tooLong, 413);
    try {
      const guarded = permitted(await personOf(request), routeRights[route]);
      if (!guarded.ok) return answerRefusal(guarded, guarded.refusal.reason === 'not-signed-in' ? 401 : 403);
      if (isOfAnother(request, guarded.value)) return answerRefusal(refuse('other-person'), 409);
      return await handle(request, guarded.value, context);
    } catch (error) {
      return answerError(error);
    }
  };
}

/** A page that was drawn for somebody says so with what it sends: in another tab somebody else may have signed in meanwhile. */
function isOfAnother(request: NextRequest, { id }: Person): boolean {
  const by = request.headers.get('plucky-by');
  return by !== null && by !== id;
}

/** Refuses requests that another site made a browser send, and those that do not say what page they come from. */
function isOwnPage(request: NextRequest): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site) return site === 'same-origin';
  const origin = request.headers.get('origin') ?? '';
  return URL.canParse(origin) && new URL(origin).host === request.headers.get('host');
}

/** What a request is told when the answering of it threw; the log has the rest. */
export function answerError(error: unknown): NextResponse {
  if (isNobodysName(error)) return answerRefusal(refuse('not-found'), 404);
  const isAway = isDatabaseAway(error);
  console.error(isAway ? 'The database does not answer.' : error);
  return answerRefusal(refuse(isAway ? 'database-away' : 'fault'), isAway ? 503 : 500);
}

export function answerRefusal(outcome: Outcome<never>, status = 422): NextResponse {
  return NextResponse.json(outcome.ok ? {} : { refusal: outcome.refusal }, { status });
}
