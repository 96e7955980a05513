// Made from words/en/timers.json by `npm run words`. Change it there.
import { l, select, type Text } from '@/words/runtime';

export const timers = () => l`Timers`;
export const isReady = (d: { tag: Text }) => l`● ${d.tag} is ready ·`;
export const waitingOnFixtures = () => l`Waiting on fixtures`;
export const waitingOnFixturesInAll = (d: { timers: Text }) => l`Waiting on fixtures, ${d.timers} in all`;
export const onBench = (d: { isFixtureBench: 'yes' | 'no'; fixture: Text; place: Text }) => l`${select(d.isFixtureBench, { "yes": l`on the bench`, "other": l`${d.fixture} ${d.place}` })}`;
