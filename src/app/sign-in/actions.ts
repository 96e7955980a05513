'use server';
import { redirect } from 'next/navigation';
import { readSession } from '@/app/session';
import { refuse, type Refusal } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { isDatabaseAway } from '@/data/errors';
import { SignInDto } from '@/dto/people/SignInDto';
import { parseDto } from '@/dto/parseDto';
import { signIn } from '@/services/people/signIn';

/** Open to everyone: this is where one becomes somebody. */
export async function signInAction(given: { personId: string; pin: string; bench: string }): Promise<Refusal> {
  const parsed = parseDto(SignInDto, given);
  if (!parsed.ok) return parsed.refusal;
  const outcome = await signIn(database(), parsed.value, new Date()).catch((error: unknown) => {
    if (isDatabaseAway(error)) return refuse('database-away');
    throw error;
  });
  if (!outcome.ok) return outcome.refusal;
  const session = await readSession();
  const { id, bench, epoch } = outcome.value;
  session.signedIn = { personId: id, bench, epoch };
  await session.save();
  redirect('/');
}
