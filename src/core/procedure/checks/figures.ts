import type { Model } from '../model';
import type { Minutes } from '../operations';
import type { Path } from '../patch';
import { problem, type ModelProblem } from './problem';

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
        says: `Minutes ${low}, ${likely}, ${high} are not in order.`,
        mend: 'Write them as low ≤ likely ≤ high, none below 0.',
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
          says: `${likely} minutes of hands for one step: are these seconds?`,
          mend: 'Write minutes; time on a fixture is a wait.',
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
        says: `The chances of its ends sum to ${round(sum)}, not to 1.`,
        mend: 'Let them sum to 1.',
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
  const ask = (path: Path, says: string, mend: string) => [problem(model, 'implausible', { path, says, mend })];
  return [
    ...model.joints.flatMap((joint, at) => {
      if (joint.kind !== 'screw') return [];
      const { lengthMm, torqueNewtonCm: torque } = joint;
      return [
        ...(lengthMm < 0.8 || lengthMm > 40
          ? ask(['joints', at, 'lengthMm'], `A screw of ${lengthMm} mm?`, 'Write its length in millimetres.')
          : []),
        ...(torque && (torque.aim < 0.8 || torque.aim > 300)
          ? ask(
              ['joints', at, 'torqueNewtonCm'],
              `A torque of ${torque.aim} N·cm?`,
              'Write newton-centimetres: 1 kgf·cm is 9.81, 1 in·lbf is 11.3.',
            )
          : []),
        ...(torque && !(torque.low <= torque.aim && torque.aim <= torque.high)
          ? ask(
              ['joints', at, 'torqueNewtonCm'],
              `Torque ${torque.low}, ${torque.aim}, ${torque.high} is not in order.`,
              'Write it as low ≤ aim ≤ high.',
            )
          : []),
      ];
    }),
    ...model.operations.flatMap(({ heat }, at) =>
      heat && (heat.celsius < 30 || heat.celsius > 150) && heat.source !== 'hot air'
        ? ask(['operations', at, 'heat'], `A ${heat.source} at ${heat.celsius} °C?`, 'Write degrees Celsius.')
        : [],
    ),
  ];
}

const round = (value: number): number => Math.round(value * 1000) / 1000;
