/**
 * Questions on which practitioners disagree, and how a house may answer each (domain: where practitioners disagree). An
 * answer changes what is planned, not only a text. What must be safe is not among them.
 */
export const schoolChoices = {
  /** The battery plug before all that lies as deep as it does, or only before what carries current. */
  batteryPlug: ['first', 'when-touched'],
  /** Metal where the author took it, or plastic wherever a step can be done with it. */
  prying: ['as-written', 'plastic'],
  /** What warms a seam. */
  warming: ['as-written', 'hot plate', 'hot air', 'dryer'],
  /** What a cover is glued down with. */
  gluing: ['as-written', 'tape-and-gel', 'liquid'],
  /** Screws with a known torque: a set driver that is read, or by feel. */
  torque: ['driver', 'feel'],
  /** Single-use parts that came off whole: it is asked whether they go back, or they are renewed. */
  usedOnce: ['ask', 'renew'],
  /** What a teardown is begun for. */
  howFar: ['pays', 'wanted', 'everything'],
} as const;

export type SchoolId = keyof typeof schoolChoices;
export type Schools = { readonly [S in SchoolId]: (typeof schoolChoices)[S][number] };

/** How a shop works that has chosen nothing: as the models were written. Sheets and rules from before chose so. */
export const asWritten: Schools = {
  batteryPlug: 'when-touched',
  prying: 'as-written',
  warming: 'as-written',
  gluing: 'as-written',
  torque: 'driver',
  usedOnce: 'ask',
  howFar: 'everything',
};

/** Where a shop begins. */
export const startingSchools: Schools = { ...asWritten, batteryPlug: 'first', howFar: 'pays' };
