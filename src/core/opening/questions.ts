import { isScrew } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Path } from '@/core/procedure/patch';
import type { Imbalance } from './balance';

/** Something a draft lacks, and how much it would help to know it. */
export interface Question {
  readonly id: string;
  readonly asks: string;
  readonly because: string;
  /** What it is worth to the planner and to safety, from 100; the list is in this order. */
  readonly weight: number;
  /** Where in the document the answer goes; none when it is another log. */
  readonly path?: Path;
}

/**
 * What is missing in a draft from first openings, most useful first: safety, then what makes the document publishable,
 * then what the planner computes with, then what only helps to find it.
 *
 * @param logCount  how many logs the draft was made of
 */
export function questionsFor(model: Model, imbalances: readonly Imbalance[], logCount: number): readonly Question[] {
  const unvalued = model.parts.filter(({ slot, valueCents }) => slot !== undefined && valueCents === undefined);
  const asked: (Question | false)[] = [
    model.proofOfOff.trim() === '' && {
      id: 'proof-of-off',
      asks: 'How is it switched off, and how is that proven?',
      because: 'No board is lifted before.',
      weight: 100,
      path: ['proofOfOff'],
    },
    !model.parts.some(({ category }) => category === 'battery') && {
      id: 'battery',
      asks: 'Which part is the battery?',
      because: 'Power comes off first; nothing named so far looks like one.',
      weight: 96,
      path: ['parts'],
    },
    ...imbalances.map(({ log, what, out, back }): Question => ({
      id: `balance-${log}-${what}`,
      asks: `Log ${log}: ${what} ${out} out, ${back} back. Where is the difference?`,
      because: 'What comes off goes back, or it is said why not.',
      weight: 92,
    })),
    logCount > 0 &&
      model.operations.every(({ back }) => back === null) && {
        id: 'way-back',
        asks: 'How does it go back together? Log the way back.',
        because: 'Nothing closes what was opened.',
        weight: 90,
      },
    logCount === 1 && {
      id: 'second-log',
      asks: 'Take it apart once more, in another order.',
      because: `${model.operations.flatMap(({ after }) => after).length} orders are habit or need: a second log tells.`,
      weight: 80,
    },
    ...lookAlikes(model),
    unvalued.length > 0 && {
      id: 'values',
      asks: `What is a good one worth: ${unvalued.map(({ name }) => name).join(', ')}?`,
      because: 'What has no worth the planner leaves in.',
      weight: 60,
      path: ['parts'],
    },
    model.faces.some(({ outlines }) => outlines.length === 0) && {
      id: 'places',
      asks: 'Where do the joints sit? Move them on the drawing.',
      because: 'They lie on a grid until then; size and places come from the calliper.',
      weight: 50,
      path: ['faces'],
    },
    Object.values(model.priceCents).every((cents) => cents === 0) && {
      id: 'price',
      asks: 'What does a whole one fetch, by grade?',
      because: 'Triage weighs it against its parts.',
      weight: 45,
      path: ['priceCents'],
    },
    model.revisions.length < 2 && {
      id: 'revisions',
      asks: 'Have you seen one that is built differently?',
      because: 'Revisions change steps.',
      weight: 15,
      path: ['revisions'],
    },
  ];
  return asked.filter((question) => question !== false).sort((a, b) => b.weight - a.weight);
}

/** Screws of one head that differ by little: what lies below the shallower hole decides what a mix-up costs. */
function lookAlikes(model: Model): readonly Question[] {
  const screws = model.joints.filter(isScrew);
  const pairs = new Map<string, Question>();
  for (const short of screws) {
    const long = screws.find(
      ({ head, lengthMm }) => head === short.head && lengthMm > short.lengthMm && lengthMm - short.lengthMm <= 2,
    );
    if (!long) continue;
    const id = `depth-${short.head}-${short.lengthMm}`;
    pairs.set(id, {
      id,
      asks: `How deep is the hole of the ${short.head} ${short.lengthMm.toFixed(1)}?`,
      because: `A ${long.lengthMm.toFixed(1)} of the same head could go in by mistake.`,
      weight: 70,
      path: ['joints', model.joints.indexOf(short), 'depthMm'],
    });
  }
  return [...pairs.values()];
}
