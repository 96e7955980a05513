import { featuresOf, type Feature } from '@/core/procedure/features';
import { isScrew } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';

/** What the library shows of a model and finds it by, without its document. */
export interface ModelCard {
  readonly id: string;
  readonly version: number;
  readonly maker: string;
  readonly name: string;
  readonly kind: Model['kind'];
  readonly letters: string;
  readonly parts: number;
  readonly operations: number;
  readonly screws: number;
  /** Likely minutes of hands for everything, without setting up. */
  readonly minutes: number;
  /** Other names of the model, and all names of its parts, in lower case. */
  readonly words: readonly string[];
  readonly features: readonly Feature[];
}

export function cardOf(model: Model): ModelCard {
  const { id, version, maker, name, kind, letters, aliases, parts, operations, joints } = model;
  const partNames = parts.flatMap((part) => [part.name, ...part.aliases]);
  return {
    id,
    version,
    maker,
    name,
    kind,
    letters,
    parts: parts.length,
    operations: operations.length,
    screws: joints.filter(isScrew).length,
    minutes: Math.round(operations.reduce((sum, { minutes }) => sum + minutes.likely, 0) * 10) / 10,
    words: [...new Set([...aliases, ...partNames].map((word) => word.toLowerCase()))],
    features: featuresOf(model),
  };
}
