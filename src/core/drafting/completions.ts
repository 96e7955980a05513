import type { Model } from '@/core/procedure/model';
import { jointKinds } from '@/core/procedure/vocabulary';
import type { LineField } from './operationLine';
import { usualTools } from './usualWords';

const verbs = ['Take', 'Lift', 'Unscrew', 'Unplug', 'Unlock', 'Unclip', 'Slide', 'Draw', 'Cut', 'Peel', 'Warm', 'Open'];
const most = 8;

/**
 * What may be meant by what is typed in a field, from the model's own words, best first. In a field that lists several,
 * the last entry is completed.
 *
 * @param at  the line's place: what was freed, opened or done above comes first, or not at all
 */
export function completionsFor(model: Model, at: number, field: LineField, typed: string): readonly string[] {
  const isList = field === 'opens' || field === 'frees' || field === 'after';
  const head = isList ? typed.slice(0, typed.lastIndexOf(',') + 1) : '';
  const rest = typed.slice(head.length).trimStart().toLowerCase();
  const lead = head === '' ? '' : `${head} `;
  const words = wordsFor(model, at, field);
  // What is a word as it stands is meant as it stands: s1 is not the beginning of s10.
  if (words.some((word) => word.toLowerCase() === rest)) return [];
  return words
    .filter((word) => word.toLowerCase().startsWith(rest))
    .slice(0, most)
    .map((word) => `${lead}${word}`);
}

function wordsFor(model: Model, at: number, field: LineField): readonly string[] {
  const above = model.operations.slice(0, at);
  switch (field) {
    case 'title':
      return [
        ...verbs.flatMap((verb) => model.parts.map(({ name }) => `${verb} the ${name}${endingOf(verb)}`)),
        ...verbs.map((verb) => `${verb} the `),
      ];
    case 'face':
      return model.faces.map(({ id }) => id);
    case 'tool':
      return [
        ...new Set([
          ...above.map(({ tool }) => tool).reverse(),
          ...model.operations.map(({ tool }) => tool),
          ...usualTools,
        ]),
      ];
    case 'opens': {
      const opened = new Set(above.flatMap(({ opens }) => opens));
      return [
        ...model.joints.map(({ id }) => id).filter((id) => !opened.has(id)),
        ...jointKinds.map((kind) => `${kind} `),
      ];
    }
    case 'frees': {
      const freed = new Set(above.flatMap(({ frees }) => frees));
      // What is out already is not proposed: “battery” is a part of its own though the battery door is out.
      return model.parts.filter(({ id }) => !freed.has(id)).map(({ name }) => name);
    }
    case 'after':
      return above.map(({ id }) => id).reverse();
    case 'minutes':
      return [];
  }
}

const endingOf = (verb: string): string => (['Take', 'Lift', 'Slide', 'Draw'].includes(verb) ? ' out' : '');
