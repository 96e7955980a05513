import 'server-only';
import { randomBytes } from 'node:crypto';
import { cookies, headers } from 'next/headers';
import type { NextRequest } from 'next/server';

/** What a browser holds of a sign-in: a number that says nothing. Who it stands for is known to the database only. */
const cookieName = 'plucky-session';
const tokenForm = /^[\w-]{43}$/;

const formed = (token: string | undefined): string | undefined => (token && tokenForm.test(token) ? token : undefined);

/** The token of a request to a route. */
export const tokenOf = (request: NextRequest): string | undefined => formed(request.cookies.get(cookieName)?.value);

/** The token of the page or action that is being answered. */
export const tokenHere = async (): Promise<string | undefined> => formed((await cookies()).get(cookieName)?.value);

export async function holdToken(token: string, endsAt: Date): Promise<void> {
  const isSecure = (await headers()).get('x-forwarded-proto') === 'https';
  (await cookies()).set(cookieName, token, {
    httpOnly: true,
    sameSite: 'strict',
    secure: isSecure,
    path: '/',
    expires: endsAt,
  });
}

/** Where a request comes from. The server process writes it; what a browser sends under that name is thrown away. */
const addressHeader = 'plucky-address';

export const addressOf = (request: NextRequest): string => request.headers.get(addressHeader) ?? '';

export const addressHere = async (): Promise<string> => (await headers()).get(addressHeader) ?? '';

/** Stays when somebody signs out: it says that people of this shop have signed in here, not who. */
const deviceCookie = 'plucky-device';
const deviceSeconds = 400 * 24 * 3600;

/** What this browser is known by; it gets something the first time. */
export async function deviceHere(): Promise<string> {
  const jar = await cookies();
  const held = formed(jar.get(deviceCookie)?.value);
  if (held !== undefined) return held;
  const made = randomBytes(32).toString('base64url');
  const isSecure = (await headers()).get('x-forwarded-proto') === 'https';
  jar.set(deviceCookie, made, {
    httpOnly: true,
    sameSite: 'strict',
    secure: isSecure,
    path: '/',
    maxAge: deviceSeconds,
  });
  return made;
}

export const deviceOf = (request: NextRequest): string | null =>
  formed(request.cookies.get(deviceCookie)?.value) ?? null;

export async function dropToken(): Promise<void> {
  (await cookies()).delete(cookieName);
}

/** What a screen asks for by itself keeps nobody signed in. */
export const isPress = (sent: { readonly get: (name: string) => string | null }): boolean =>
  sent.get('plucky-follows') === null;
