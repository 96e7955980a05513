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

/** The ids that may stand at a place of the document; undefined where any may, as for an id of its own. */
export function idsFor(model: Model, path: Path): ReadonlySet<string> | undefined {
  const field = [...path].reverse().find((step) => typeof step === 'string') ?? '';
  const kind = kindOf[field];
  if (kind === undefined) return undefined;
  const lists: Readonly<Record<Kind, readonly { readonly id: string }[]>> = {
    joint: model.joints,
    part: model.parts,
    operation: model.operations,
    face: model.faces,
    revision: model.revisions,
    configuration: model.configurations,
    variant: model.variants,
    end: model.operations.flatMap(({ ends = [] }) => ends),
  };
  return new Set(lists[kind].map(({ id }) => id));
}
