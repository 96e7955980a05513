import type { Model } from './model';

/** Something wrong in a model document: where, what, and how to mend it. */
export interface ModelProblem {
  readonly rule: string;
  readonly place: string;
  readonly says: string;
  readonly mend: string;
}

/**
 * Checks what a schema cannot: that the ids of a model meet, that its graph can be walked, and that parts come free.
 *
 * @param model  a document that already satisfies the JSON Schema
 * @returns problems in the order of the document; empty when it is sound
 * Cost: O(operations · arcs)
 */
export function checkModel(model: Model): readonly ModelProblem[] {
  return [
    ...doubleIds(model),
    ...danglingIds(model),
    ...timesOutOfOrder(model),
    ...unreachableOperations(model),
    ...partsNeverFreed(model),
    ...jointsLeftOpen(model),
    ...withoutConsumable(model),
  ];
}

function doubleIds(model: Model): ModelProblem[] {
  const lists = { faces: model.faces, parts: model.parts, joints: model.joints, operations: model.operations };
  return Object.entries(lists).flatMap(([list, items]) => {
    const seen = new Set<string>();
    return items.flatMap(({ id }, index) => {
      if (!seen.has(id)) {
        seen.add(id);
        return [];
      }
      return [
        problem('double-id', `${list}[${index}]`, `The id “${id}” is used twice.`, 'Give one of the two another id.'),
      ];
    });
  });
}

function danglingIds(model: Model): ModelProblem[] {
  const known = {
    face: new Set(model.faces.map(({ id }) => id)),
    part: new Set(model.parts.map(({ id }) => id)),
    joint: new Set(model.joints.map(({ id }) => id)),
    operation: new Set(model.operations.map(({ id }) => id)),
    revision: new Set(model.revisions.map(({ id }) => id)),
    configuration: new Set(model.configurations.map(({ id }) => id)),
  };
  const missing = (kind: keyof typeof known, id: string, place: string): ModelProblem[] =>
    known[kind].has(id)
      ? []
      : [problem('dangling-id', place, `There is no ${kind} “${id}”.`, `Add the ${kind}, or name one that exists.`)];
  return [
    ...model.joints.flatMap((joint, index) => [
      ...missing('face', joint.face, `joints[${index}].face`),
      ...joint.holds.flatMap((part) => missing('part', part, `joints[${index}].holds`)),
    ]),
    ...model.configurations.flatMap(({ absentParts }, index) =>
      absentParts.flatMap((part) => missing('part', part, `configurations[${index}].absentParts`)),
    ),
    ...model.operations.flatMap((operation, index) => {
      const place = `operations[${index}] (${operation.id})`;
      return [
        ...missing('face', operation.face, `${place}.face`),
        ...operation.opens.flatMap((joint) => missing('joint', joint, `${place}.opens`)),
        ...operation.frees.flatMap((part) => missing('part', part, `${place}.frees`)),
        ...operation.after.flatMap((arc, at) =>
          arc.any.flatMap((id) => missing('operation', id, `${place}.after[${at}]`)),
        ),
        ...(operation.when?.revisions ?? []).flatMap((id) => missing('revision', id, `${place}.when.revisions`)),
        ...(operation.when?.configurations ?? []).flatMap((id) =>
          missing('configuration', id, `${place}.when.configurations`),
        ),
      ];
    }),
  ];
}

function timesOutOfOrder(model: Model): ModelProblem[] {
  return model.operations.flatMap((operation, index) =>
    [operation.minutes, ...(operation.back ? [operation.back.minutes] : [])].flatMap(({ low, likely, high }) =>
      low <= likely && likely <= high
        ? []
        : [
            problem(
              'times-order',
              `operations[${index}] (${operation.id})`,
              `Minutes ${low}, ${likely}, ${high} are not in order.`,
              'Write them as low ≤ likely ≤ high.',
            ),
          ],
    ),
  );
}

/** An operation is reachable when every arc has one reachable alternative; a cycle leaves its members unreachable. */
function unreachableOperations(model: Model): ModelProblem[] {
  const reachable = new Set<string>();
  for (let grew = true; grew;) {
    grew = false;
    for (const { id, after } of model.operations) {
      if (!reachable.has(id) && after.every((arc) => arc.any.some((before) => reachable.has(before)))) {
        reachable.add(id);
        grew = true;
      }
    }
  }
  return model.operations.flatMap(({ id }, index) =>
    reachable.has(id)
      ? []
      : [
          problem(
            'unreachable',
            `operations[${index}] (${id})`,
            `“${id}” waits, directly or by others, for itself or for a step that never comes.`,
            'Take one arc of the circle away.',
          ),
        ],
  );
}

function partsNeverFreed(model: Model): ModelProblem[] {
  const freed = new Set(model.operations.flatMap(({ frees }) => frees));
  return model.parts.flatMap(({ id, name, slot }, index) =>
    freed.has(id) || slot === undefined
      ? []
      : [
          problem(
            'never-freed',
            `parts[${index}] (${id})`,
            `No operation frees the ${name}.`,
            'Add it to the frees of a step.',
          ),
        ],
  );
}

/** A part that comes free while a joint that nothing opens still holds it cannot come free. */
function jointsLeftOpen(model: Model): ModelProblem[] {
  const opened = new Set(model.operations.flatMap(({ opens }) => opens));
  const freed = new Set(model.operations.flatMap(({ frees }) => frees));
  return model.joints.flatMap((joint, index) =>
    opened.has(joint.id) || !joint.holds.some((part) => freed.has(part))
      ? []
      : [
          problem(
            'still-held',
            `joints[${index}] (${joint.id})`,
            `Nothing opens “${joint.id}”, yet it holds ${joint.holds.join(' and ')}.`,
            'Let a step open it, or take it away.',
          ),
        ],
  );
}

function withoutConsumable(model: Model): ModelProblem[] {
  const singleUse = new Set(model.parts.filter((part) => part.singleUse).map(({ id }) => id));
  return model.operations.flatMap((operation, index) =>
    operation.back === null ||
    operation.back.consumables.length > 0 ||
    !operation.frees.some((part) => singleUse.has(part))
      ? []
      : [
          problem(
            'no-consumable',
            `operations[${index}] (${operation.id}).back`,
            'A single-use part comes off and nothing renews it.',
            'Name the consumable that replaces it.',
          ),
        ],
  );
}

const problem = (rule: string, place: string, says: string, mend: string): ModelProblem => ({
  rule,
  place,
  says,
  mend,
});
