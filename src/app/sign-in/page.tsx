import { redirect } from 'next/navigation';
import { personHere } from '@/app/access';
import { database } from '@/data/connection';
import { readSignIn } from '@/services/people/readSignIn';
import { SignInScreen } from '@/ui/people/SignInScreen';
import { signInAction } from './actions';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.signInPluckyParcel() };

export default async function SignInPage() {
  if (await personHere()) redirect('/');
  return <SignInScreen {...await readSignIn(database())} signIn={signInAction} />;
}
