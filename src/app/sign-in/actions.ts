'use server';
import { redirect } from 'next/navigation';
import { addressHere, deviceHere, holdToken } from '@/app/session';
import { watch } from '@/app/watch';
import { refuse, type Refusal } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { isDatabaseAway } from '@/data/errors';
import { SignInDto } from '@/dto/people/SignInDto';
import { parseDto } from '@/dto/parseDto';
import { openSession } from '@/services/people/openSession';
import { signIn } from '@/services/people/signIn';

/** Open to everyone: this is where one becomes somebody. */
export async function signInAction(given: { personId: string; pin: string; bench: string }): Promise<Refusal> {
  const parsed = parseDto(SignInDto, given);
  if (!parsed.ok) return parsed.refusal;
  const at = { address: await addressHere(), device: await deviceHere() };
  const outcome = await signIn(database(), parsed.value, at, new Date()).catch((error: unknown) => {
    if (isDatabaseAway(error)) return refuse('database-away');
    throw error;
  });
  watch()?.signIn(outcome.ok ? 'let in' : outcome.refusal.reason, {
    person: parsed.value.personId,
    from: at.address,
  });
  if (!outcome.ok) return outcome.refusal;
  const { token, endsAt } = await openSession(database(), outcome.value, at.address, new Date());
  await holdToken(token, endsAt);
  redirect('/');
}
