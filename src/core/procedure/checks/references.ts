import type { Model } from '../model';
import type { Path } from '../patch';
import { problem, type ModelProblem } from './problem';
import { message } from '@/core/shared/message';

type Kind = 'end' | 'face' | 'part' | 'joint' | 'operation' | 'revision' | 'configuration' | 'variant' | 'posture';
type Known = Readonly<Record<Kind, ReadonlySet<string>>>;
type Reference = readonly [Kind, string, Path];

/** Ids that are used twice, and ids that name nothing. */
export function checkReferences(model: Model): readonly ModelProblem[] {
  return [...doubleIds(model), ...danglingIds(model)];
}

function doubleIds(model: Model): ModelProblem[] {
  const { faces, parts, joints, operations, revisions, configurations, variants } = model;
  return Object.entries({ faces, parts, joints, operations, revisions, configurations, variants }).flatMap(
    ([list, items]) => {
      const seen = new Set<string>();
      return items.flatMap(({ id }, index) => {
        if (!seen.has(id)) {
          seen.add(id);
          return [];
        }
        const free = freeId(id, new Set(items.map((item) => item.id)));
        return [
          problem(model, 'double-id', {
            path: [list, index],
            says: message('checks.idUsedTwice', { id }),
            mend: message('checks.giveOneTwoAnotherId', { free }),
            fix: [{ path: [list, index, 'id'], value: free }],
          }),
        ];
      });
    },
  );
}

/** The id with the lowest number behind it that is not taken. */
function freeId(id: string, taken: ReadonlySet<string>): string {
  for (let number = 2; ; number += 1) if (!taken.has(`${id}-${number}`)) return `${id}-${number}`;
}

function danglingIds(model: Model): ModelProblem[] {
  const ids = (list: readonly { readonly id: string }[]) => new Set(list.map(({ id }) => id));
  const known: Known = {
    end: new Set(model.operations.flatMap(({ ends = [] }) => ends.map(({ id }) => id))),
    face: ids(model.faces),
    part: ids(model.parts),
    joint: ids(model.joints),
    operation: ids(model.operations),
    revision: ids(model.revisions),
    configuration: ids(model.configurations),
    variant: ids(model.variants),
    posture: new Set((model.postures ?? []).map(({ name }) => name)),
  };
  return lostReferences(model, known).map(([kind, id, path]) =>
    problem(model, 'dangling-id', {
      path,
      says: message('checks.thereNo', { kind, id }),
      mend: message('checks.addOrNameOneThat', { kind }),
      ...(typeof path.at(-1) === 'number' && { fix: [{ path, value: undefined }] }),
    }),
  );
}

/** Looks at every place of the document that names something by its id, and keeps those that name nothing. */
function lostReferences(model: Model, known: Known): readonly Reference[] {
  const found: Reference[] = [];
  const one = (kind: Kind, id: string | undefined, ...path: Path) => {
    if (id !== undefined && !known[kind].has(id)) found.push([kind, id, path]);
  };
  const all = (kind: Kind, ids: readonly string[] | undefined, ...path: Path) => {
    if (ids === undefined || ids.every((id) => known[kind].has(id))) return;
    ids.forEach((id, index) => one(kind, id, ...path, index));
  };

  model.configurations.forEach(({ absentParts }, at) => all('part', absentParts, 'configurations', at, 'absentParts'));
  model.postures?.forEach(({ needsParts, needsOpen }, at) => {
    all('part', needsParts, 'postures', at, 'needsParts');
    all('joint', needsOpen, 'postures', at, 'needsOpen');
  });
  model.faces.forEach(({ outlines, keepOut, indicators }, at) => {
    outlines.forEach(({ part }, index) => one('part', part, 'faces', at, 'outlines', index, 'part'));
    keepOut.forEach(({ until }, index) => one('operation', until, 'faces', at, 'keepOut', index, 'until'));
    indicators?.forEach(({ after }, index) => one('operation', after, 'faces', at, 'indicators', index, 'after'));
  });
  model.parts.forEach(({ transfers, variants, boundTo, standsThrough }, at) => {
    transfers?.forEach(({ part, joints }, index) => {
      one('part', part, 'parts', at, 'transfers', index, 'part');
      all('joint', joints, 'parts', at, 'transfers', index, 'joints');
    });
    all('variant', variants, 'parts', at, 'variants');
    one('part', boundTo, 'parts', at, 'boundTo');
    all('part', standsThrough, 'parts', at, 'standsThrough');
  });
  model.testNeeds?.forEach(({ parts, joints }, at) => {
    all('part', parts, 'testNeeds', at, 'parts');
    all('joint', joints, 'testNeeds', at, 'joints');
  });
  one('joint', model.testPack?.joint, 'testPack', 'joint');
  model.joints.forEach((joint, at) => {
    one('face', joint.face, 'joints', at, 'face');
    all('part', joint.holds, 'joints', at, 'holds');
    one('joint', joint.hiddenBy, 'joints', at, 'hiddenBy');
    all('joint', joint.releases, 'joints', at, 'releases');
    if (joint.kind === 'screw') one('joint', joint.threadsInto, 'joints', at, 'threadsInto');
    else one('joint', joint.leadsTo, 'joints', at, 'leadsTo');
  });
  model.operations.forEach((operation, at) => {
    const place = ['operations', at] as const;
    one('face', operation.face, ...place, 'face');
    if (model.postures) one('posture', operation.posture, ...place, 'posture');
    for (const list of ['opens', 'opensIfShut', 'unlocks', 'closes'] as const)
      all('joint', operation[list], ...place, list);
    for (const list of ['frees', 'refits', 'destroys', 'blockedBy'] as const)
      all('part', operation[list], ...place, list);
    one('operation', operation.insteadOf, ...place, 'insteadOf');
    operation.after.forEach((arc, index) => all('operation', arc.any, ...place, 'after', index, 'any'));
    all('revision', operation.when?.revisions, ...place, 'when', 'revisions');
    all('configuration', operation.when?.configurations, ...place, 'when', 'configurations');
    operation.when?.ends?.forEach(({ operation: id, end }, index) => {
      one('operation', id, ...place, 'when', 'ends', index, 'operation');
      const ends = model.operations.find((other) => other.id === id)?.ends ?? [];
      if (known.operation.has(id) && !ends.some((other) => other.id === end))
        found.push(['end', end, [...place, 'when', 'ends', index, 'end']]);
    });
    operation.heat?.layers?.forEach(({ part }, index) => one('part', part, ...place, 'heat', 'layers', index, 'part'));
    operation.slowWhile?.forEach(({ part }, index) => one('part', part, ...place, 'slowWhile', index, 'part'));
    operation.risks?.forEach(({ part }, index) => one('part', part, ...place, 'risks', index, 'part'));
    operation.ends?.forEach(({ opens, frees }, index) => {
      all('joint', opens, ...place, 'ends', index, 'opens');
      all('part', frees, ...place, 'ends', index, 'frees');
    });
    one('operation', operation.limit?.until, ...place, 'limit', 'until');
    if (model.postures) one('posture', operation.back?.posture, ...place, 'back', 'posture');
    all('joint', operation.back?.closes, ...place, 'back', 'closes');
    all('part', operation.back?.places, ...place, 'back', 'places');
    operation.back?.leaves?.forEach(({ joint }, index) =>
      one('joint', joint, ...place, 'back', 'leaves', index, 'joint'),
    );
    operation.back?.after?.forEach(({ operation: id }, index) =>
      one('operation', id, ...place, 'back', 'after', index, 'operation'),
    );
  });
  return found;
}
