import type { Model } from '../model';
import type { Minutes } from '../operations';
import type { Path } from '../patch';
import { problem, type ModelProblem } from './problem';
import { message, type Message } from '@/core/shared/message';

/** Times, chances, and figures that look as if they were in another unit. */
export function checkFigures(model: Model): readonly ModelProblem[] {
  return [
    ...minutesPlaces(model).flatMap(([minutes, path]) => checkMinutes(model, minutes, path)),
    ...chances(model),
    ...units(model),
  ];
}

function minutesPlaces(model: Model): readonly (readonly [Minutes, Path])[] {
  return model.operations.flatMap((operation, at) => {
    const place = ['operations', at] as const;
    return [
      [operation.minutes, [...place, 'minutes']] as const,
      ...(operation.minutesWhen ?? []).map(
        ({ minutes }, index) => [minutes, [...place, 'minutesWhen', index, 'minutes']] as const,
      ),
      ...(operation.ends ?? []).flatMap(({ minutes }, index) =>
        minutes ? [[minutes, [...place, 'ends', index, 'minutes']] as const] : [],
      ),
      ...(operation.back ? [[operation.back.minutes, [...place, 'back', 'minutes']] as const] : []),
    ];
  });
}

function checkMinutes(model: Model, minutes: Minutes, path: Path): ModelProblem[] {
  const { low, likely, high } = minutes;
  const sorted = [low, likely, high].sort((a, b) => a - b);
  if (!(low >= 0 && low <= likely && likely <= high)) {
    return [
      problem(model, 'times-order', {
        path,
        says: message('checks.minutesAreNotInOrder', { low, likely, high }),
        mend: message('checks.writeThemAsLowLikely'),
        ...((sorted[0] ?? -1) >= 0 && {
          fix: [{ path, value: { low: sorted[0], likely: sorted[1], high: sorted[2] } }],
        }),
      }),
    ];
  }
  return likely > 90
    ? [
        problem(model, 'implausible', {
          path,
          says: message('checks.minutesHandsForOneStep', { likely }),
          mend: message('checks.writeMinutesTimeOnFixture'),
          fix: [{ path, value: { low: low / 60, likely: likely / 60, high: high / 60 } }],
        }),
      ]
    : [];
}

function chances(model: Model): ModelProblem[] {
  return model.operations.flatMap(({ ends }, at) => {
    if (!ends) return [];
    const sum = ends.reduce((total, { chance }) => total + chance, 0);
    if (Math.abs(sum - 1) < 0.001) return [];
    return [
      problem(model, 'chances-sum', {
        path: ['operations', at, 'ends'],
        says: message('checks.chancesItsEndsSumTo', { sum: round(sum) }),
        mend: message('checks.letThemSumTo1'),
        ...(sum > 0 && {
          fix: ends.map(({ chance }, index) => ({
            path: ['operations', at, 'ends', index, 'chance'],
            value: chance / sum,
          })),
        }),
      }),
    ];
  });
}

/** Screws in inches, torques in kgf·cm or N·m, temperatures in Fahrenheit: no rule can know, but a person can be asked. */
function units(model: Model): ModelProblem[] {
  const ask = (path: Path, says: Message<'checks'>, mend: Message<'checks'>) => [
    problem(model, 'implausible', { path, says, mend }),
  ];
  return [
    ...model.joints.flatMap((joint, at) => {
      if (joint.kind !== 'screw') return [];
      const { lengthMm, torqueNewtonCm: torque } = joint;
      return [
        ...(lengthMm !== undefined && (lengthMm < 0.8 || lengthMm > 40)
          ? ask(
              ['joints', at, 'lengthMm'],
              message('checks.screwMm', { lengthMm }),
              message('checks.writeItsLengthInMillimetres'),
            )
          : []),
        ...(torque && (torque.aim < 0.8 || torque.aim > 300)
          ? ask(
              ['joints', at, 'torqueNewtonCm'],
              message('checks.torqueNCm', { aim: torque.aim }),
              message('checks.writeNewtonCentimetres1Kgf'),
            )
          : []),
        ...(torque && !(torque.low <= torque.aim && torque.aim <= torque.high)
          ? ask(
              ['joints', at, 'torqueNewtonCm'],
              message('checks.torqueNotInOrder', { low: torque.low, aim: torque.aim, high: torque.high }),
              message('checks.writeAsLowAimHigh'),
            )
          : []),
      ];
    }),
    ...model.operations.flatMap(({ heat }, at) =>
      heat && (heat.celsius < 30 || heat.celsius > 150) && heat.source !== 'hot air'
        ? ask(
            ['operations', at, 'heat'],
            message('checks.atC', { source: heat.source, celsius: heat.celsius }),
            message('checks.writeDegreesCelsius'),
          )
        : [],
    ),
  ];
}

const round = (value: number): number => Math.round(value * 1000) / 1000;
