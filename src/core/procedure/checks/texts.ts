import type { Model } from '../model';
import type { Path } from '../patch';
import { problem, type ModelProblem } from './problem';
import { message } from '@/core/shared/message';

type Texts = readonly (readonly [text: string, path: Path])[];

/** Texts that are empty, and texts with markup or control characters. */
export function checkTexts(model: Model): readonly ModelProblem[] {
  const texts = textsOf(model);
  return [...missing(model, texts), ...marked(model, texts)];
}

/** Texts that may be left empty: a sentence that adds nothing, and what other rules ask for. */
const mayBeEmpty: readonly unknown[] = ['detail', 'fixture', '$schema'];

/** Every text that is there says something: an empty one was begun in a form and forgotten. */
const missing = (model: Model, texts: Texts): ModelProblem[] =>
  texts
    .filter(([text, path]) => text.trim() === '' && !mayBeEmpty.includes(path.at(-1)))
    .map(([, path]) =>
      problem(model, 'text-missing', {
        path,
        says: message('checks.empty', { path: path.findLast((step) => typeof step === 'string') }),
        mend: message('checks.write'),
      }),
    );

/** Any of the characters that markup or the others begin with: most texts have none, and are done. */
const suspicious = /[<\u0000-\u0008\u000b-\u001f\u007f\u202a-\u202e\u2066-\u2069]/;
const markup = /<[a-z!/][^>]*>|[\u0000-\u0008\u000b-\u001f\u007f\u202a-\u202e\u2066-\u2069]/i;

const marked = (model: Model, texts: Texts): ModelProblem[] =>
  texts.flatMap(([text, path]) => {
    const match = suspicious.test(text) ? markup.exec(text) : null;
    return match ? [markupProblem(model, text, match[0], path)] : [];
  });

/** Every text of the document with its place: those that are empty, and those with a sign that markup begins with. */
function textsOf(model: Model): Texts {
  const found: (readonly [string, Path])[] = [];
  const path: (string | number)[] = [];
  const visit = (node: unknown): void => {
    if (typeof node === 'string') {
      if (node.trim() === '' || suspicious.test(node)) found.push([node, [...path]]);
    } else if (Array.isArray(node)) {
      node.forEach((entry, at) => within(at, entry));
    } else if (typeof node === 'object' && node !== null) {
      for (const key in node) within(key, node[key as keyof typeof node]);
    }
  };
  const within = (step: string | number, node: unknown): void => {
    if (typeof node === 'number' || typeof node === 'boolean') return;
    path.push(step);
    visit(node);
    path.pop();
  };
  visit(model);
  return found;
}

const markupProblem = (model: Model, text: string, match: string, path: Path): ModelProblem =>
  problem(model, 'markup', {
    path,
    says: message('checks.thereMarkupOrControlCharacter', { match: JSON.stringify(match) }),
    mend: message('checks.writePlainTextShownAs'),
    fix: [{ path, value: text.replaceAll(new RegExp(markup, 'gi'), '').trim() }],
  });
