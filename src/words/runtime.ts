import { plural as pluralOf, select as selectOf } from '@messageformat/runtime';
import { writer } from './shopWriting';

/** What a plain placeholder takes; nothing is said of what is not there. */
export type Text = string | number | null | undefined | false;

type Forms = Readonly<Record<string, string>> & { readonly other: string };

/** The form of a message that a number asks for, by the rules of the shop's language. */
export const plural = (value: number, offset: number, forms: Forms): string =>
  String(pluralOf(value, offset, categoryOf, forms));

/** The form of a message that a word asks for. */
export const select = (value: string, forms: Forms): string => String(selectOf(value, forms));

const categoryOf = (value: number): string =>
  writer('plural', () => new Intl.PluralRules(catalogueLanguage)).select(value);

/** The language the catalogue is written in: its plurals follow it, whatever else the shop's settings say. */
const catalogueLanguage = 'en';

let isPseudo: boolean | undefined;
const wantsPseudo = (): boolean =>
  typeof document === 'undefined'
    ? typeof process !== 'undefined' && process.env.PLUCKY_WORDS === 'pseudo'
    : document.documentElement.dataset.words === 'pseudo';

/**
 * One message: its own words, with values between. Under the pseudo-language of the tests the words get accents and
 * grow by two fifths, and the values stay: what is plain then is not from the catalogue.
 */
export function l(words: TemplateStringsArray, ...values: readonly Text[]): string {
  isPseudo ??= wantsPseudo();
  const own: readonly string[] = isPseudo ? words.map(pseudo) : words;
  return own.reduce((text, piece, at) => `${text}${print(values[at - 1])}${piece}`);
}

const print = (value: Text): string => (value === null || value === undefined || value === false ? '' : String(value));

const accented: Readonly<Record<string, string>> = {
  a: 'á',
  e: 'é',
  i: 'í',
  o: 'ó',
  u: 'ú',
  y: 'ý',
  c: 'ç',
  n: 'ñ',
  s: 'š',
  z: 'ž',
  A: 'Á',
  E: 'É',
  I: 'Í',
  O: 'Ó',
  U: 'Ú',
  Y: 'Ý',
  C: 'Ç',
  N: 'Ñ',
  S: 'Š',
  Z: 'Ž',
};

/** Accents on what can carry one, and longer words: every fifth letter twice more. */
export function pseudo(words: string): string {
  let letters = 0;
  return words.replace(/\p{L}/gu, (letter) => {
    const own = accented[letter] ?? letter;
    letters += 1;
    return letters % 5 === 0 ? own.repeat(3) : own;
  });
}
