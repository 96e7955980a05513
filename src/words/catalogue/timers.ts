// Made from words/en/timers.json by `npm run words`. Change it there.
import { l, select, type Text } from '@/words/runtime';

export const timers = () => l`Timers`;
export const isReady = (d: { tag: Text }) => l`● ${d.tag} is ready ·`;
export const waitingOnFixtures = () => l`Waiting by themselves`;
export const waitingOnFixturesInAll = (d: { timers: Text }) => l`Waiting by themselves, ${d.timers} in all`;
export const conditioningNow = (d: { does: string }) => l`${select(d.does, { "charge": l`charging`, "hold": l`holding at its limit`, "run_down": l`running down`, "rest": l`resting`, "charge_to_store": l`charging to store`, "other": l`on its charger` })}`;
export const onBench = (d: { isFixtureBench: 'yes' | 'no'; fixture: Text; place: Text }) => l`${select(d.isFixtureBench, { "yes": l`on the bench`, "other": l`${d.fixture} ${d.place}` })}`;
