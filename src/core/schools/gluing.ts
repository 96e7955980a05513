import { message } from '@/core/shared/message';
import type { Minutes, WayBack } from '@/core/procedure/operations';
import type { Schools } from '@/core/shared/schools';

interface Glue {
  readonly consumables: WayBack['consumables'];
  /** Attended minutes on top of setting the cover down. */
  readonly minutes: number;
  readonly waits: NonNullable<WayBack['waits']>;
}

/**
 * What the schools of gluing use and how long they hold still. Starting values of ours, in the middle of what such
 * products ask for; the author's own sheet stays what the model says.
 */
const glues: Readonly<Record<Exclude<Schools['gluing'], 'as-written'>, Glue>> = {
  'tape-and-gel': {
    consumables: [
      { name: message('sheet.narrowTape'), count: 1, unitCents: 30 },
      { name: message('sheet.gelDot'), count: 4, unitCents: 4 },
    ],
    minutes: 2,
    waits: [{ minutes: 15, fixture: 'clamp', what: message('sheet.gelSets') }],
  },
  liquid: {
    consumables: [{ name: message('sheet.liquidGlue'), count: 1, unitCents: 25 }],
    minutes: 1,
    waits: [{ minutes: 45, fixture: 'clamp', what: message('sheet.glueSets') }],
  },
};

/** The way back of a step that glues, by another school. */
export function gluedBy(school: keyof typeof glues, back: WayBack): WayBack {
  const { consumables, minutes, waits } = glues[school];
  return { ...back, consumables, minutes: longer(back.minutes, minutes), waits };
}

const longer = ({ low, likely, high }: Minutes, by: number): Minutes => ({
  low: low + by,
  likely: likely + by,
  high: high + by,
});
