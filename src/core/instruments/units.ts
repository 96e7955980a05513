/** How much of an attribute's own unit one of another is. Signs that a keyboard lacks have a plain spelling. */
const factors: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  // Counts have no unit.
  '': { '': 1 },
  '%': { '%': 1 },
  mΩ: { mΩ: 1, mOhm: 1, Ω: 1000, Ohm: 1000 },
  mm: { mm: 1, µm: 0.001, um: 0.001, cm: 10, in: 25.4 },
  µm: { µm: 1, um: 1, mm: 1000 },
  mV: { mV: 1, V: 1000 },
  V: { V: 1, mV: 0.001 },
  mbar: { mbar: 1, hPa: 1, Pa: 0.01, kPa: 10, bar: 1000 },
  dB: { dB: 1, 'dB(A)': 1 },
  'N·cm': { 'N·cm': 1, 'N.cm': 1, Ncm: 1, cNm: 1, 'N·m': 100, 'N.m': 100, Nm: 100, mNm: 0.1 },
  '°C': { '°C': 1, C: 1 },
  g: { g: 1, kg: 1000, mg: 0.001 },
};

/** Units in which something may be said that is kept in this one. */
export const unitsFor = (own: string): readonly string[] => Object.keys(factors[own] ?? {});

/** A value in an attribute's own unit; null where the unit says nothing of it. */
export function inUnit(value: number, unit: string, own: string): number | null {
  const factor = factors[own]?.[unit];
  return factor === undefined ? null : Number((value * factor).toPrecision(12));
}
