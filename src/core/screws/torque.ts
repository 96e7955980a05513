import { accept, refuse, type Outcome } from '@/core/shared/outcome';

/** Newton-centimetres in one of each unit that drivers and guides use. */
const newtonCmIn: Readonly<Record<string, number>> = {
  'n·cm': 1,
  ncm: 1,
  'n·m': 100,
  nm: 100,
  'kgf·cm': 9.80665,
  'kgf.cm': 9.80665,
  'cn·m': 1,
  'in·lbf': 11.298482902,
  'in-lbf': 11.298482902,
  'ozf·in': 0.70615518,
};

/** Units of force: a figure in one of them is no torque until the length of the lever is known. */
const forces = ['n', 'kgf', 'kg', 'lbf', 'lb', 'ozf', 'oz'];

/**
 * Reads a torque as it stands in a guide, as “1.2 kgf·cm”, in newton-centimetres.
 *
 * @refuses 'torque-is-force' for a unit of force, 'torque-unreadable' for anything else that is no torque
 * Source: the international pound and standard gravity (CGPM 1901) by definition
 */
export function readTorque(text: string): Outcome<number> {
  const match = /^\s*(\d+(?:[.,]\d+)?)\s*(\S+)\s*$/u.exec(text);
  const unit = match?.[2]?.toLowerCase() ?? '';
  const value = Number((match?.[1] ?? '').replace(',', '.'));
  if (match && forces.includes(unit)) return refuse('torque-is-force', { unit: match[2] as string });
  const factor = newtonCmIn[unit];
  return match && factor !== undefined ? accept(value * factor) : refuse('torque-unreadable', { text });
}
