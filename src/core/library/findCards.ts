import type { ModelCard } from './modelCard';

export interface CardQuery {
  /** Any words: letters, names, makers, other names, parts, kinds, features. */
  readonly text: string;
  readonly kind?: string;
  readonly maker?: string;
  readonly feature?: string;
}

/**
 * Models that answer a query, best first: its own letters, then a name that starts with what was typed, then any name of
 * the model, then a part or a feature of it. Every word typed must be found somewhere. With nothing typed, by name.
 *
 * Cost: O(cards · words)
 */
export function findCards(cards: readonly ModelCard[], query: CardQuery): readonly ModelCard[] {
  const typed = query.text.trim().toLowerCase();
  const words = typed.split(/\s+/).filter(Boolean);
  return cards
    .filter(
      ({ kind, maker, features }) =>
        (!query.kind || kind === query.kind) &&
        (!query.maker || maker === query.maker) &&
        (!query.feature || features.some((feature) => feature === query.feature)),
    )
    .map((card) => ({ card, rank: rankOf(card, typed, words) }))
    .filter(({ rank }) => rank < notFound)
    .sort((a, b) => a.rank - b.rank || a.card.name.localeCompare(b.card.name))
    .map(({ card }) => card);
}

const notFound = 9;

function rankOf(card: ModelCard, typed: string, words: readonly string[]): number {
  if (typed === '') return 0;
  const name = `${card.maker} ${card.name}`.toLowerCase();
  if (card.letters === typed) return 0;
  if (name.startsWith(typed) || card.name.toLowerCase().startsWith(typed)) return 1;
  if (words.every((word) => startsAWord(name, word))) return 2;
  if (card.words.some((other) => other === typed)) return 3;
  const all = [name, card.kind, ...card.words, ...card.features.map((feature) => feature.replaceAll('-', ' '))];
  if (words.every((word) => all.some((text) => startsAWord(text, word)))) return 4;
  return words.every((word) => all.some((text) => text.includes(word))) ? 5 : notFound;
}

const startsAWord = (text: string, start: string): boolean =>
  text.split(/[\s-]+/).some((word) => word.startsWith(start));
