import { message } from '@/core/shared/message';
import { fitsThread, readDrive } from '../drives';
import { isScrew } from '../joints';
import type { Model } from '../model';
import type { Handwork } from '../operations';
import type { Path } from '../patch';
import { electricalKinds, type PartCategory } from '../vocabulary';
import { problem, type ModelProblem } from './problem';
import type { View } from './views';

/** What no device is like: figures and joints that are written right and cannot be. */
export function checkPlausible(model: Model, views: readonly View[]): readonly ModelProblem[] {
  return [
    ...drives(model),
    ...withoutCurrent(model),
    ...cellLimits(model),
    ...layersGone(model, views),
    ...gatesNamed(model),
    ...momentsFirst(model),
  ];
}

function drives(model: Model): ModelProblem[] {
  return model.joints.flatMap((joint, at) => {
    if (!isScrew(joint)) return [];
    const { drive, diameterMm } = joint;
    if (readDrive(drive).family === null)
      return [
        problem(model, 'drive-unknown', {
          path: ['joints', at, 'drive'],
          says: message('checks.driveNotStandard', { drive }),
          mend: message('checks.leaveOrTakeStandard'),
        }),
      ];
    if (fitsThread(drive, diameterMm)) return [];
    return [
      problem(model, 'drive-misfit', {
        path: ['joints', at, 'diameterMm'],
        says: message('checks.threadNotOfDrive', { drive, diameterMm: diameterMm as number }),
        mend: message('checks.measureThreadAgain'),
      }),
    ];
  });
}

/** Parts that do nothing without current. */
const fedCategories: readonly PartCategory[] = ['display', 'camera', 'speaker', 'motor', 'port', 'sensor'];

function withoutCurrent(model: Model): ModelProblem[] {
  const fed = new Set(
    model.joints
      .filter(({ kind, power }) => power === true || electricalKinds.includes(kind))
      .flatMap(({ holds }) => holds),
  );
  return model.parts.flatMap(({ id, name, category }, at) =>
    !fedCategories.includes(category) || fed.has(id)
      ? []
      : [
          problem(model, 'no-current', {
            path: ['parts', at],
            says: message('checks.nothingFeeds', { name }),
            mend: message('checks.drawItsPlugOrSocket'),
          }),
        ],
  );
}

const celsius = /(\d{2,3}) ?°C/g;

function cellLimits(model: Model): ModelProblem[] {
  const cells = model.parts.filter(({ category, power }) => category === 'battery' && power !== 'second');
  const limits = cells.flatMap(({ heatLimitCelsius }) => heatLimitCelsius ?? []);
  const lowest = Math.min(...limits);
  if (limits.length === 0) return [];
  return [
    ...cells
      .filter(({ heatLimitCelsius }) => heatLimitCelsius !== lowest)
      .map(({ id, name }) =>
        problem(model, 'cell-limits', {
          path: ['parts', model.parts.findIndex((part) => part.id === id), 'heatLimitCelsius'],
          says: message('checks.cellBearsAnother', { name, lowest }),
          mend: message('checks.giveLikeCellsOneLimit'),
          fix: [
            { path: ['parts', model.parts.findIndex((part) => part.id === id), 'heatLimitCelsius'], value: lowest },
          ],
        }),
      ),
    ...model.operations.flatMap(({ cautions, heat }, at) =>
      cautions.flatMap(({ what, instead }, index) => {
        const above = [...`${what} ${instead}`.matchAll(celsius)].map(([, figure]) => Number(figure));
        const worst = heat ? Math.max(...above, 0) : 0;
        return worst > lowest
          ? [
              problem(model, 'cell-limits', {
                path: ['operations', at, 'cautions', index],
                says: message('checks.cautionAboveLimit', { worst, lowest }),
                mend: message('checks.sayLimitOfCell'),
              }),
            ]
          : [];
      }),
    ),
  ];
}

function layersGone(model: Model, views: readonly View[]): ModelProblem[] {
  return model.operations.flatMap(({ id, heat }, at) =>
    (heat?.layers ?? []).flatMap(({ part }, index) => {
      const concerned = views.filter(({ operations }) => operations.some((operation) => operation.id === id));
      const isGone =
        part !== undefined &&
        concerned.length > 0 &&
        concerned.every((view) => view.freersOf(part).length > 0 && view.isSurelyAfter(id, view.freersOf(part)));
      return isGone
        ? [
            problem(model, 'layer-gone', {
              path: ['operations', at, 'heat', 'layers', index],
              says: message('checks.layerIsOut', { part: part as string }),
              mend: message('checks.takeLayerAway'),
              fix: [{ path: ['operations', at, 'heat', 'layers', index], value: undefined }],
            }),
          ]
        : [];
    }),
  );
}

/** A gate with the power on tests something, and only what the model has. */
function gatesNamed(model: Model): ModelProblem[] {
  return model.operations.flatMap(({ back }, at) => {
    const path = ['operations', at, 'back', 'gate', 'tests'];
    const { gate } = back ?? {};
    if (!gate) return [];
    const foreign = gate.tests.filter((test) => !model.tests.includes(test));
    return [
      ...(gate.powersOn && gate.tests.length === 0
        ? [
            problem(model, 'gate-names', {
              path,
              says: message('checks.gateTestsNothing', { what: gate.what }),
              mend: message('checks.nameItsTests'),
              fix: [{ path, value: [model.tests[0] ?? 'starts'] }],
            }),
          ]
        : []),
      ...foreign.map((test) =>
        problem(model, 'gate-names', {
          path: [...path, gate.tests.indexOf(test)],
          says: message('checks.gateAsksForeign', { test }),
          mend: message('checks.addTestToModel', { test }),
          fix: [{ path: [...path, gate.tests.indexOf(test)], value: undefined }],
        }),
      ),
    ];
  });
}

/** A moment is between two waits: before the first one there is only the step itself. */
function momentsFirst(model: Model): ModelProblem[] {
  const ofWork = ({ waits }: Pick<Handwork, 'waits'>, path: Path): ModelProblem[] =>
    waits?.[0]?.first
      ? [
          problem(model, 'moment-first', {
            path: [...path, 'waits', 0, 'first'],
            says: message('checks.momentBeforeFirstWait', { does: waits[0].first.does }),
            mend: message('checks.putMomentBetween'),
            fix: [{ path: [...path, 'waits', 0, 'first'], value: undefined }],
          }),
        ]
      : [];
  return model.operations.flatMap((operation, at) => [
    ...ofWork(operation, ['operations', at]),
    ...ofWork(operation.back ?? {}, ['operations', at, 'back']),
  ]);
}
