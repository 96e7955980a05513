import { screwName } from '@/core/procedure/drives';
import { isScrew } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Path } from '@/core/procedure/patch';

type Kind = 'joint' | 'part' | 'operation' | 'face' | 'revision' | 'configuration' | 'variant' | 'end';

/** What the ids of a field name, by the field. */
const kindOf: Readonly<Record<string, Kind>> = {
  opens: 'joint',
  opensIfShut: 'joint',
  unlocks: 'joint',
  closes: 'joint',
  hiddenBy: 'joint',
  releases: 'joint',
  leadsTo: 'joint',
  threadsInto: 'joint',
  needsOpen: 'joint',
  joint: 'joint',
  joints: 'joint',
  frees: 'part',
  refits: 'part',
  destroys: 'part',
  blockedBy: 'part',
  places: 'part',
  holds: 'part',
  part: 'part',
  parts: 'part',
  boundTo: 'part',
  standsThrough: 'part',
  absentParts: 'part',
  needsParts: 'part',
  any: 'operation',
  operation: 'operation',
  insteadOf: 'operation',
  until: 'operation',
  after: 'operation',
  face: 'face',
  revisions: 'revision',
  configurations: 'configuration',
  variants: 'variant',
  end: 'end',
};

/**
 * The things that may stand at a place of the document, by their ids, with their names; undefined where any id may, as
 * for one of its own.
 */
export function thingsFor(model: Model, path: Path): Readonly<Record<string, string>> | undefined {
  const field = [...path].reverse().find((step) => typeof step === 'string') ?? '';
  const kind = kindOf[field];
  return kind === undefined ? undefined : Object.fromEntries(listsOf[kind](model));
}

const listsOf: Readonly<Record<Kind, (model: Model) => readonly (readonly [id: string, name: string])[]>> = {
  joint: ({ joints }) =>
    joints.map((joint) => [joint.id, `${joint.id}, ${isScrew(joint) ? screwName(joint) : joint.kind}`]),
  part: ({ parts }) => parts.map(({ id, name }) => [id, name || id]),
  operation: ({ operations }) => operations.map(({ id, title }) => [id, title || id]),
  face: ({ faces }) => faces.map(({ id, name }) => [id, name || id]),
  revision: ({ revisions }) => revisions.map(({ id }) => [id, id]),
  configuration: ({ configurations }) => configurations.map(({ id, name }) => [id, name || id]),
  variant: ({ variants }) => variants.map(({ id, name }) => [id, name || id]),
  end: ({ operations }) => operations.flatMap(({ ends = [] }) => ends).map(({ id, says }) => [id, says || id]),
};
