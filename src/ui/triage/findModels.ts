import type { Model } from '@/core/procedure/model';

type Named = Pick<Model, 'maker' | 'name' | 'letters' | 'aliases'>;

/**
 * Models that the typed letters can mean, best first: its own letters, then the start of a word of its names, then
 * anywhere in them. With nothing typed, the one that the supplier's list names comes first.
 */
export function findModels<M extends Named>(models: readonly M[], typed: string, promised: string): readonly M[] {
  const letters = typed.trim().toLowerCase();
  const names = (model: M) => [`${model.maker} ${model.name}`, ...model.aliases].map((name) => name.toLowerCase());
  const rank = (model: M): number => {
    if (letters === '') return names(model).includes(promised.trim().toLowerCase()) ? 0 : 1;
    if (model.letters.startsWith(letters)) return 0;
    if (names(model).some((name) => name.split(' ').some((word) => word.startsWith(letters)))) return 1;
    return names(model).some((name) => name.includes(letters)) ? 2 : 3;
  };
  return models
    .map((model) => ({ model, order: rank(model) }))
    .filter(({ order }) => order < 3)
    .sort((a, b) => a.order - b.order)
    .map(({ model }) => model);
}
