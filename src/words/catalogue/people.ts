// Made from words/en/people.json by `npm run words`. Change it there.
import { l, select } from '@/words/runtime';

export const whoAtBench = () => l`Who is at the bench?`;
export const pressYourNumberThenType = () => l`Press your number, then type your PIN.`;
export const pin = () => l`PIN`;
export const bench = () => l`Bench`;
export const signingIn = (d: { isBusy: 'yes' | 'no' }) => l`${select(d.isBusy, { "yes": l`Signing in …`, "other": l`Sign in` })}`;
export const notSignedIn = () => l`Not signed in.`;
