import { redirect } from 'next/navigation';
import { readSession } from '@/app/session';
import { database } from '@/data/connection';
import { readSignIn } from '@/services/people/readSignIn';
import { SignInScreen } from '@/ui/people/SignInScreen';
import { signInAction } from './actions';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.signInPluckyParcel() };

export default async function SignInPage() {
  const { person } = await readSession();
  if (person) redirect('/');
  return <SignInScreen {...await readSignIn(database())} signIn={signInAction} />;
}
