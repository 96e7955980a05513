import type { Model } from '../model';
import type { Path } from '../patch';
import { problem, type ModelProblem } from './problem';
import { message } from '@/core/shared/message';

/** Names that are empty, and texts with markup or control characters. */
export function checkTexts(model: Model): readonly ModelProblem[] {
  return [...missing(model), ...marked(model)];
}

function missing(model: Model): ModelProblem[] {
  const named: readonly (readonly [string, Path])[] = [
    [model.maker, ['maker']],
    [model.name, ['name']],
    [model.letters, ['letters']],
    [model.proofOfOff, ['proofOfOff']],
    ...model.faces.map(({ name }, at) => [name, ['faces', at, 'name']] as const),
    ...model.parts.map(({ name }, at) => [name, ['parts', at, 'name']] as const),
    ...model.operations.flatMap(({ title, tool }, at) => [
      [title, ['operations', at, 'title']] as const,
      [tool, ['operations', at, 'tool']] as const,
    ]),
  ];
  return named
    .filter(([text]) => text.trim() === '')
    .map(([, path]) =>
      problem(model, 'text-missing', {
        path,
        says: message('checks.empty', { path: path.at(-1) }),
        mend: message('checks.write'),
      }),
    );
}

/** Any of the characters that markup or the others begin with: most texts have none, and are done. */
const suspicious = /[<\u0000-\u0008\u000b-\u001f\u007f\u202a-\u202e\u2066-\u2069]/;
const markup = /<[a-z!/][^>]*>|[\u0000-\u0008\u000b-\u001f\u007f\u202a-\u202e\u2066-\u2069]/i;

function marked(model: Model): ModelProblem[] {
  const found: ModelProblem[] = [];
  const path: (string | number)[] = [];
  const visit = (node: unknown): void => {
    if (typeof node === 'string') {
      const match = suspicious.test(node) ? markup.exec(node) : null;
      if (match) found.push(markupProblem(model, node, match[0], [...path]));
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
