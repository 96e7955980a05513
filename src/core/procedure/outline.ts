import type { Model } from './model';

/**
 * A model without its way apart: its parts, variants, prices and faces. For a unit that is only listed; whoever works
 * on it needs the whole one.
 */
export const outlineOf = (model: Model): Model => ({ ...model, operations: [], joints: [] });
