import type { Area, Face, KeepOut, Point } from '../faces';
import { isScrew, type Screw } from '../joints';
import type { Model } from '../model';
import { unattendedMinutes, type Operation, type SeamSegment } from '../operations';
import type { Path } from '../patch';
import type { ToolKind } from '../vocabulary';
import { problem, type ModelProblem } from './problem';
import type { View } from './views';
import { message } from '@/core/shared/message';

/** What can hurt the device or the person: screws, heat, solvent, tools, cells. */
export function checkHarm(model: Model, views: readonly View[]): readonly ModelProblem[] {
  const kinds = new Map((model.tools ?? []).map(({ name, kind }) => [name, kind]));
  const kindOf = ({ tool }: Operation): ToolKind => kinds.get(tool) ?? 'other';
  const faces = new Map(model.faces.map((face) => [face.id, face]));
  const solder = new Set(model.joints.filter(({ kind }) => kind === 'solder').map(({ id }) => id));
  const untils = untilOf(views);
  return [
    ...sharedCups(model),
    ...heatLayers(model),
    ...views.flatMap((view) => [...tooHot(model, view), ...solventBeforeHeat(model, view)]),
    ...model.operations.flatMap((operation, index) => {
      const face = faces.get(operation.face);
      const at: Path = ['operations', index];
      return [
        ...(face ? keptOut(model, operation, face, kindOf(operation), untils, at) : []),
        ...(face ? unprotected(model, operation, face, kindOf(operation), at) : []),
        ...metalAtCell(model, operation, kindOf(operation), at),
        ...uncertified(model, operation, solder, at),
        ...fixtureless(model, operation, at),
      ];
    }),
  ];
}

/** Heads are alike when one bit turns both: the drive and its size, and nearly the same thread. */
const isAlike = (a: Screw, b: Screw): boolean =>
  a.drive === b.drive &&
  (a.diameterMm === undefined || b.diameterMm === undefined || Math.abs(a.diameterMm - b.diameterMm) < 0.25) &&
  a.lengthMm !== b.lengthMm;

/** By how much one is too long for the other's hole; nothing where neither is known. */
const tooLong = (long: Screw, short: Screw): number =>
  long.lengthMm === undefined || short.depthMm === undefined ? 0 : long.lengthMm - short.depthMm;

function sharedCups(model: Model): ModelProblem[] {
  const cups = new Map<string, Screw[]>();
  for (const joint of model.joints) {
    if (isScrew(joint) && joint.cup !== undefined) cups.set(joint.cup, [...(cups.get(joint.cup) ?? []), joint]);
  }
  return [...cups].flatMap(([cup, screws]) => {
    const harms = screws.flatMap((long) =>
      screws
        .filter((short) => isAlike(long, short) && tooLong(long, short) > 0)
        .map((short) => ({ long, short, tooLongMm: tooLong(long, short) })),
    );
    const [worst] = harms.sort((a, b) => b.tooLongMm - a.tooLongMm);
    if (!worst) return [];
    const index = model.joints.indexOf(worst.long);
    return [
      problem(model, 'shared-cup', {
        path: ['joints', index, 'cup'],
        says: message('checks.cupHoldsMmAndIts', {
          cup,
          id: worst.long.id,
          lengthMm: worst.long.lengthMm as number,
          id2: worst.short.id,
          tooLongMm: worst.tooLongMm,
        }),
        mend: message('checks.giveLongerOneCupIts'),
        fix: [{ path: ['joints', index, 'cup'], value: undefined }],
      }),
    ];
  });
}

/**
 * The surface’s temperature bounds the cell’s: nothing behind it gets hotter than what warms it. Where the model says what
 * lies between, the heat plan keeps the cell below its limit, and says when that cannot be done.
 */
function tooHot(model: Model, view: View): ModelProblem[] {
  const limited = model.parts.filter(({ heatLimitCelsius }) => heatLimitCelsius !== undefined);
  return view.operations.flatMap((operation) => {
    const { heat } = operation;
    if (!heat || heat.layers) return [];
    const cell = limited.find(
      ({ id, heatLimitCelsius }) =>
        heat.celsius > (heatLimitCelsius as number) && !view.isSurelyAfter(operation.id, view.freersOf(id)),
    );
    if (!cell) return [];
    const path = ['operations', model.operations.indexOf(operation), 'heat', 'celsius'];
    return [
      problem(model, 'too-hot', {
        path,
        says: message('checks.cPastCThatBears', {
          celsius: heat.celsius,
          heatLimitCelsius: cell.heatLimitCelsius,
          name: cell.name,
        }),
        mend: message('checks.warmLessAndLongerOr'),
        fix: [{ path, value: cell.heatLimitCelsius }],
      }),
    ];
  });
}

/** The heat plan needs to know what is to soften and what must stay cool. */
function heatLayers(model: Model): ModelProblem[] {
  return model.operations.flatMap(({ heat }, at) => {
    const materials = heat?.layers?.map(({ material }) => material);
    if (!materials) return [];
    const isRight =
      materials.filter((material) => material === 'adhesive').length === 1 && !materials.slice(0, -1).includes('cell');
    return isRight
      ? []
      : [
          problem(model, 'heat-layers', {
            path: ['operations', at, 'heat', 'layers'],
            says: message('checks.layersAre', { none: materials.join(', ') || 'none' }),
            mend: message('checks.writeThemFromOutsideIn'),
          }),
        ];
  });
}

function solventBeforeHeat(model: Model, view: View): ModelProblem[] {
  const heats = view.operations.filter(({ heat }) => heat !== undefined);
  return view.operations.flatMap((operation) => {
    const { solvent } = operation;
    if (!solvent || unattendedMinutes(operation) >= solvent.ventilateMinutes) return [];
    const later = heats.find(({ id }) => id !== operation.id && !view.isSurelyAfter(operation.id, [id]));
    if (!later) return [];
    const path = ['operations', model.operations.indexOf(operation), 'waits'];
    return [
      problem(model, 'solvent-heat', {
        path,
        says: message('checks.canComeBeforeAndPlace', {
          name: solvent.name,
          title: later.title,
          ventilateMinutes: solvent.ventilateMinutes,
        }),
        mend: message('checks.waitUntilAirClear'),
        fix: [
          {
            path,
            value: [{ minutes: solvent.ventilateMinutes, fixture: 'bench', what: message('checks.airPlace') }],
          },
        ],
      }),
    ];
  });
}

/** Whether an operation surely comes after the one that frees a zone, in every view that has both. */
const untilOf = (views: readonly View[]) => (operation: Operation, until: string | undefined) =>
  until !== undefined &&
  views
    .filter((view) => view.operations.includes(operation))
    .every((view) => view.isSurelyAfter(operation.id, [until]));

function keptOut(
  model: Model,
  operation: Operation,
  face: Face,
  kind: ToolKind,
  isAfter: (operation: Operation, until: string | undefined) => boolean,
  at: Path,
): ModelProblem[] {
  const concerns = ({ forbids }: KeepOut) =>
    forbids === 'heat'
      ? operation.heat !== undefined
      : forbids === 'metal'
        ? kind === 'metal' || kind === 'blade'
        : kind !== 'hand';
  const zones = face.keepOut.filter((zone) => concerns(zone) && !isAfter(operation, zone.until));
  const says = (zone: KeepOut, depthMm?: number) => ({
    says: message('checks.toolGoesIntoMmDeep', {
      label: zone.label,
      isDepthMm: depthMm === undefined ? 'yes' : 'no',
      depthMm,
      because: zone.because,
    }),
    mend:
      zone.depthMm === undefined
        ? message('checks.leadRoundZone')
        : message('checks.stayAtMmThere', { depthMm: zone.depthMm }),
  });
  return [
    ...(operation.seam ?? []).flatMap((segment, index) => {
      if (segment.isForbidden) return [];
      const zone = zones.find(
        (candidate) => crosses(segment, candidate) && segment.depthMm > (candidate.depthMm ?? -1),
      );
      if (!zone) return [];
      const path = [...at, 'seam', index];
      return [
        problem(model, 'keep-out', {
          path,
          ...says(zone, segment.depthMm),
          fix:
            zone.depthMm === undefined
              ? [{ path: [...path, 'isForbidden'], value: true }]
              : [{ path: [...path, 'depthMm'], value: zone.depthMm }],
        }),
      ];
    }),
    ...zones
      .filter((zone) => operation.tip !== undefined && contains(zone, operation.tip))
      .map((zone) => problem(model, 'keep-out', { path: [...at, 'tip'], ...says(zone) })),
    ...screwsInZones(model, operation, face, isAfter),
  ];
}

/** A driver stands where its screw is, and slips: also where only metal is kept out. A cell’s own screws sit in its lugs. */
function screwsInZones(
  model: Model,
  operation: Operation,
  face: Face,
  isAfter: (operation: Operation, until: string | undefined) => boolean,
): ModelProblem[] {
  const zones = face.keepOut.filter(
    ({ forbids, depthMm, until }) => forbids !== 'heat' && depthMm === undefined && !isAfter(operation, until),
  );
  const cells = new Set(model.parts.flatMap(({ id, category }) => (category === 'battery' ? [id] : [])));
  return model.joints.flatMap((joint, index) => {
    if (!isScrew(joint) || joint.face !== face.id || !operation.opens.includes(joint.id)) return [];
    if (joint.holds.some((part) => cells.has(part))) return [];
    const zone = zones.find((candidate) => contains(candidate, joint));
    if (!zone) return [];
    return [
      problem(model, 'keep-out', {
        path: ['joints', index],
        says: message('checks.driverStandsIn', {
          isNamed: zone.label.trim() === '' ? 'no' : 'yes',
          label: zone.label,
          because: zone.because,
        }),
        mend: message('checks.moveJointToWhereOr'),
      }),
    ];
  });
}

function unprotected(model: Model, operation: Operation, face: Face, kind: ToolKind, at: Path): ModelProblem[] {
  if (kind !== 'metal' && kind !== 'blade') return [];
  const points = [
    ...(operation.tip ? [operation.tip] : []),
    ...(operation.seam ?? []).flatMap((segment) => [segment, { xMm: segment.toXMm, yMm: segment.toYMm }]),
  ];
  const isBare = points.some((point) => !(face.protectedZones ?? []).some((zone) => contains(zone, point)));
  return isBare
    ? [
        problem(model, 'metal-unprotected', {
          path: [...at, 'tool'],
          says: message('checks.outsideProtectedZoneHousePries', { tool: operation.tool }),
          mend: message('checks.takePlasticToolOrMark'),
        }),
      ]
    : [];
}

function metalAtCell(model: Model, operation: Operation, kind: ToolKind, at: Path): ModelProblem[] {
  if (kind !== 'metal' && kind !== 'blade') return [];
  const cell = model.parts.find(
    ({ id, category, hazard }) => (category === 'battery' || hazard?.kind === 'cell') && operation.frees.includes(id),
  );
  return cell
    ? [
        problem(model, 'metal-at-cell', {
          path: [...at, 'tool'],
          says: message('checks.underMetalPiercesCell', { tool: operation.tool, name: cell.name }),
          mend: message('checks.useStripSoftenerAndPlastic'),
        }),
      ]
    : [];
}

function uncertified(model: Model, operation: Operation, solder: ReadonlySet<string>, at: Path): ModelProblem[] {
  if (operation.needsCertificate) return [];
  const solders = operation.opens.some((joint) => solder.has(joint));
  const freed = operation.frees.length === 0 ? [] : model.parts.filter(({ id }) => operation.frees.includes(id));
  const swollen =
    operation.when?.findings?.includes('swelling') && freed.some(({ category }) => category === 'battery');
  const charged = freed.some(({ hazard }) => hazard?.kind === 'high-voltage');
  if (!solders && !swollen && !charged) return [];
  return [
    problem(model, 'no-certificate', {
      path: at,
      says: message('checks.solderingForCertifiedPeopleAnd', {
        isSolders: solders ? 'yes' : 'no',
        isSwollen: swollen ? 'yes' : 'no',
      }),
      mend: message('checks.markAsNeedingCertificate'),
      fix: [{ path: [...at, 'needsCertificate'], value: true }],
    }),
  ];
}

function fixtureless(model: Model, operation: Operation, at: Path): ModelProblem[] {
  const waitsOf = ({ waits = [] }: Pick<Operation, 'waits'>, path: Path) =>
    waits.map((wait, index) => ({ wait, path: [...path, 'waits', index, 'fixture'] }));
  return [...waitsOf(operation, at), ...waitsOf(operation.back ?? {}, [...at, 'back'])]
    .filter(({ wait }) => wait.fixture.trim() === '')
    .map(({ path }) =>
      problem(model, 'no-fixture', {
        path,
        says: message('checks.unattendedTimeAndNotSaid'),
        mend: message('checks.nameFixtureHotPlateClamp'),
        fix: [{ path, value: 'bench' }],
      }),
    );
}

const contains = (zone: Area, { xMm, yMm }: Point): boolean =>
  xMm >= zone.xMm && xMm <= zone.xMm + zone.widthMm && yMm >= zone.yMm && yMm <= zone.yMm + zone.heightMm;

/** Whether a segment runs through the inside of a rectangle (Liang and Barsky, 1984); along its border is outside. */
export function crosses(
  { xMm, yMm, toXMm, toYMm }: Pick<SeamSegment, 'xMm' | 'yMm' | 'toXMm' | 'toYMm'>,
  zone: Area,
): boolean {
  const [dx, dy] = [toXMm - xMm, toYMm - yMm];
  const edges = [
    [-dx, xMm - zone.xMm],
    [dx, zone.xMm + zone.widthMm - xMm],
    [-dy, yMm - zone.yMm],
    [dy, zone.yMm + zone.heightMm - yMm],
  ] as const;
  let [enters, leaves] = [0, 1];
  for (const [direction, distance] of edges) {
    if (direction === 0 && distance <= 0) return false;
    if (direction < 0) enters = Math.max(enters, distance / direction);
    if (direction > 0) leaves = Math.min(leaves, distance / direction);
  }
  return enters < leaves;
}
