import { looksOf, type Looks } from './looks';
import type { Model } from './model';

/** What a unit is identified by, without how it comes apart. */
export type ModelIdentity = Pick<
  Model,
  'id' | 'version' | 'maker' | 'name' | 'kind' | 'letters' | 'aliases' | 'revisions' | 'configurations' | 'variants'
> & {
  /** What it looks like from outside. */
  readonly looks: Looks;
};

export function identityOf(model: Model): ModelIdentity {
  const { id, version, maker, name, kind, letters, aliases, revisions, configurations, variants } = model;
  return {
    id,
    version,
    maker,
    name,
    kind,
    letters,
    aliases,
    revisions,
    configurations,
    variants,
    looks: looksOf(model),
  };
}
