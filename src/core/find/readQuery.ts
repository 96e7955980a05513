import { grades, type Grade } from '@/core/shared/grades';
import { plainSerial } from '@/core/shared/serials';

/** The names of a model, its parts and its steps that somebody may type. */
export interface NamedModel {
  readonly id: string;
  readonly version: number;
  readonly maker: string;
  readonly name: string;
  readonly letters: string;
  readonly aliases: readonly string[];
  readonly parts: readonly {
    readonly id: string;
    readonly name: string;
    readonly aliases: readonly string[];
    readonly category: string;
  }[];
  readonly steps: readonly { readonly id: string; readonly title: string }[];
}

export interface PartKindId {
  readonly modelId: string;
  readonly partRef: string;
}

/** What somebody typed, word by word: each says something of what is looked for. */
export interface FindQuery {
  readonly words: readonly string[];
  /** A letter alone is a grade. */
  readonly grade: Grade | null;
  /** The letters of a rack with figures are a bin, as far as it was typed. */
  readonly bin: string | null;
  /** Figures alone are the end of a tag, or part of a serial. */
  readonly figures: readonly string[];
  /** All other words: names, and parts of serials. */
  readonly names: readonly string[];
}

const mostWords = 8;

/**
 * Reads what was typed. “display lantern A” is a grade and two names; “B12 battery” a bin and a name.
 *
 * @param racks  their letters
 */
export function readQuery(text: string, racks: readonly string[]): FindQuery {
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean).slice(0, mostWords);
  const isGrade = (word: string) => grades.some((grade) => grade.toLowerCase() === word);
  const isBin = (word: string) => {
    const [, letters] = /^([a-z]{1,2})\d{1,2}$/.exec(word) ?? [];
    return letters !== undefined && racks.includes(letters.toUpperCase());
  };
  const isFigures = (word: string) => /^\d+$/.test(word);
  const grade = words.find(isGrade);
  // Two grades at once fit nothing: the second is read as a name.
  const names = words.filter((word) => word !== grade && !isBin(word) && !isFigures(word));
  return {
    words,
    grade: (grade?.toUpperCase() as Grade | undefined) ?? null,
    bin: words.find(isBin)?.toUpperCase() ?? null,
    figures: words.filter(isFigures),
    names,
  };
}

/** Whether a word is how one of some names begins, or one of their words. */
const begins = (names: readonly string[], word: string): boolean =>
  names.some((name) => {
    const lower = name.toLowerCase();
    return lower.startsWith(word) || lower.split(/[\s-]+/).some((part) => part.startsWith(word));
  });

const namesOf = ({ maker, name, letters, aliases }: NamedModel): readonly string[] => [
  maker,
  name,
  letters,
  ...aliases,
];

/** Models that a word names. */
export const modelsMeant = (models: readonly NamedModel[], word: string): readonly string[] =>
  models.filter((model) => begins(namesOf(model), word)).map(({ id }) => id);

/**
 * Kinds of part that all words name together, each word the part's name, its category, or its model's.
 *
 * @returns null when no words were given: any part is meant
 */
export function partKindsMeant(models: readonly NamedModel[], words: readonly string[]): readonly PartKindId[] | null {
  if (words.length === 0) return null;
  return models.flatMap((model) =>
    model.parts
      .filter(({ name, aliases, category }) => {
        const all = [name, category, ...aliases, ...namesOf(model)];
        return words.every((word) => begins(all, word));
      })
      .map(({ id }) => ({ modelId: model.id, partRef: id })),
  );
}

export interface StepMeant {
  readonly modelId: string;
  readonly modelName: string;
  readonly stepId: string;
  readonly title: string;
}

/** Steps of models that all words name together, each word of the step's title or of its model's names. */
export function stepsMeant(models: readonly NamedModel[], words: readonly string[]): readonly StepMeant[] {
  if (words.length === 0) return [];
  return models.flatMap((model) =>
    model.steps
      .filter(({ title }) => {
        // At least one word must be of the step: a model's name alone means the model.
        const isOfStep = words.map((word) => begins([title], word));
        return isOfStep.includes(true) && words.every((word, at) => isOfStep[at] || begins(namesOf(model), word));
      })
      .map(({ id, title }) => ({ modelId: model.id, modelName: model.name, stepId: id, title })),
  );
}

/** Whether what was typed can be a serial: then it is looked for as one, blanks and dashes left out. */
export function serialTyped(text: string): string | null {
  const plain = plainSerial(text);
  return plain.length >= 4 && /\d/.test(plain) && /^[A-Z0-9]+$/.test(plain) ? plain : null;
}
