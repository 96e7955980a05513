import 'server-only';
import { getIronSession, type SessionOptions } from 'iron-session';
import { cookies, headers } from 'next/headers';
import type { SignedIn } from '@/services/people/readSignedIn';

interface SessionData {
  signedIn?: SignedIn;
}

const workingDaySeconds = 12 * 3600;

async function options(): Promise<SessionOptions> {
  const password = process.env.PLUCKY_SECRET;
  if (!password || password.length < 32)
    throw new Error('PLUCKY_SECRET must hold at least 32 characters; ./plucky makes one.');
  const isSecure = (await headers()).get('x-forwarded-proto') === 'https';
  return {
    cookieName: 'plucky-session',
    password,
    ttl: workingDaySeconds,
    cookieOptions: { httpOnly: true, sameSite: 'strict', secure: isSecure, path: '/' },
  };
}

/** The signed, http-only session of this request. */
export async function readSession() {
  return getIronSession<SessionData>(await cookies(), await options());
}
