import type { Outcome } from '@/core/shared/outcome';
import type { BenchEvent, EventType } from './events';
import type { Change, World } from './world';

/** What a fact does, given the world it meets. */
export type Effect<T extends EventType> = (world: World, event: BenchEvent<T>) => Outcome<readonly Change[]>;

export type Effects<T extends EventType> = { readonly [K in T]: Effect<K> };
