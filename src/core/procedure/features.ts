import type { Model } from './model';
import type { Operation } from './operations';
import type { JointKind } from './vocabulary';

const hasJoint =
  (...kinds: readonly JointKind[]) =>
  ({ joints }: Model) =>
    joints.some(({ kind }) => kinds.includes(kind));
const hasOperation =
  (test: (operation: Operation) => boolean) =>
  ({ operations }: Model) =>
    operations.some(test);

/** What sets one model apart from another at the bench, and how to tell that a model has it. */
const features = [
  ['pull-strip', hasJoint('strip')],
  ['glued-cell', hasJoint('glue')],
  ['adhesive-sheet', hasJoint('sheet')],
  ['blind-plug', hasJoint('board-plug')],
  ['threaded-cable', hasJoint('threaded')],
  ['channel-cable', hasJoint('channel')],
  ['cable-latch', hasJoint('cable-latch')],
  ['solder', hasJoint('solder')],
  ['ground-foil', hasJoint('foil')],
  ['spring-latch', hasJoint('latch')],
  ['hidden-screws', ({ joints }) => joints.some(({ hiddenBy }) => hiddenBy !== undefined)],
  [
    'stacked-fasteners',
    ({ joints }) => joints.some((joint) => joint.kind === 'screw' && joint.threadsInto !== undefined),
  ],
  ['captive-screws', ({ joints }) => joints.some((joint) => joint.kind === 'screw' && joint.isCaptive === true)],
  ['single-use-screws', ({ joints }) => joints.some((joint) => joint.kind === 'screw' && joint.singleUse === true)],
  ['springs-up', ({ joints }) => joints.some(({ releases }) => releases !== undefined)],
  ['bound-parts', ({ parts }) => parts.some(({ boundTo }) => boundTo !== undefined)],
  ['assembly', ({ parts }) => parts.some(({ assembly }) => assembly !== undefined)],
  ['second-power-source', ({ parts }) => parts.some(({ power }) => power === 'second')],
  ['high-voltage', ({ parts }) => parts.some(({ hazard }) => hazard?.kind === 'high-voltage')],
  ['seldom-survives', ({ parts }) => parts.some(({ seldomSurvives }) => seldomSurvives !== undefined)],
  ['stands-through', ({ parts }) => parts.some(({ standsThrough }) => standsThrough !== undefined)],
  ['personal-data', ({ parts }) => parts.some(({ data }) => data === true)],
  ['firmware-step', ({ firmwareOff }) => firmwareOff !== undefined],
  ['postures', ({ postures }) => postures !== undefined],
  ['several-revisions', ({ revisions }) => revisions.length > 1],
  ['book', hasOperation(({ limit }) => limit?.degrees !== undefined)],
  ['opening-limit', hasOperation(({ limit }) => limit !== undefined)],
  ['refit-on-the-way', hasOperation(({ refits }) => refits !== undefined)],
  ['test-mating', hasOperation(({ closes }) => closes !== undefined)],
  ['heat', hasOperation(({ heat }) => heat !== undefined)],
  ['solvent', hasOperation(({ solvent }) => solvent !== undefined)],
  ['seam-path', hasOperation(({ seam }) => seam !== undefined)],
  ['uncertain-ends', hasOperation(({ ends }) => ends !== undefined)],
  ['resistance-ladder', hasOperation(({ ladder }) => ladder !== undefined)],
  ['two-routes', hasOperation(({ after }) => after.some(({ any }) => any.length > 1))],
  ['destructive-short-cut', hasOperation(({ destroys }) => destroys !== undefined)],
  ['helpers-hand', hasOperation(({ helper }) => helper !== undefined)],
  ['certified-step', hasOperation(({ needsCertificate }) => needsCertificate === true)],
  ['gate-back', hasOperation(({ back }) => back?.gate !== undefined)],
  ['own-way-back', hasOperation(({ back }) => back?.after !== undefined)],
  ['gasket', ({ faces }) => faces.some(({ indicators }) => indicators?.some(({ kind }) => kind === 'gasket') === true)],
] as const satisfies readonly (readonly [string, (model: Model) => boolean])[];

export type Feature = (typeof features)[number][0];

export const allFeatures: readonly Feature[] = features.map(([feature]) => feature);

/** The features a model has, in the order of the list. */
export const featuresOf = (model: Model): readonly Feature[] =>
  features.filter(([, test]) => test(model)).map(([feature]) => feature);
