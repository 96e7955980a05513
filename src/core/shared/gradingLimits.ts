/** Grades that a measured number can reach; what is beyond D is X. */
export const limitedGrades = ['A', 'B', 'C', 'D'] as const;

/** The last value still good enough for each grade. */
export type Limits = Readonly<Record<(typeof limitedGrades)[number], number>>;

/** Attributes that are measured, with what their limits may be: the shop sets these, the instruments their range. */
export const measuredAttributes = {
  capacityShare: { unit: '%', low: 0, high: 120, better: 'higher' },
  cycles: { unit: '', low: 0, high: 5000, better: 'lower' },
  resistanceMilliOhm: { unit: 'mΩ', low: 0, high: 2000, better: 'lower' },
  deadPixels: { unit: '', low: 0, high: 999, better: 'lower' },
  touchCoverage: { unit: '%', low: 0, high: 100, better: 'higher' },
} as const;

export type MeasuredAttribute = keyof typeof measuredAttributes;
export type GradingLimits = Readonly<Record<MeasuredAttribute, Limits>>;

/** Cell makers usually end the life of a cell at 80 % of its rated capacity: the limit for sale begins there. */
export const startingGradingLimits: GradingLimits = {
  capacityShare: { A: 95, B: 88, C: 80, D: 80 },
  cycles: { A: 150, B: 400, C: 700, D: 1000 },
  resistanceMilliOhm: { A: 90, B: 130, C: 180, D: 240 },
  deadPixels: { A: 0, B: 1, C: 3, D: 8 },
  touchCoverage: { A: 100, B: 100, C: 100, D: 98 },
};

/** The first measured attribute whose limits are not in order or outside its range; undefined when all can be used. */
export const unusableLimits = (limits: GradingLimits): MeasuredAttribute | undefined =>
  (Object.keys(measuredAttributes) as MeasuredAttribute[]).find((attribute) => {
    const { low, high, better } = measuredAttributes[attribute];
    const values = limitedGrades.map((grade) => limits[attribute][grade]);
    const falls = better === 'higher' ? values : values.map((value) => -value);
    return (
      values.some((value) => value < low || value > high) ||
      falls.some((value, at) => at > 0 && value > (falls[at - 1] as number))
    );
  });
