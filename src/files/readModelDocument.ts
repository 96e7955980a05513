import Ajv from 'ajv/dist/2020';
import schema from '../../docs/formats/model.schema.json';
import { checkModel, type ModelProblem } from '@/core/procedure/checkModel';
import type { Model } from '@/core/procedure/model';

const validate = new Ajv({ allErrors: true, strict: false }).compile<Model>(schema);

export type ReadModel =
  | { readonly model: Model; readonly problems: readonly [] }
  | { readonly model: null; readonly problems: readonly ModelProblem[] };

/**
 * Reads a model document: JSON, then the published schema, then the checks of the core. Each fault names its place.
 */
export function readModelDocument(text: string): ReadModel {
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const says = error instanceof Error ? error.message : 'no JSON';
    return bad({
      rule: 'json',
      place: 'document',
      says: `It is not JSON: ${says}.`,
      mend: 'Mend it in a text editor.',
    });
  }
  if (!validate(document)) {
    return {
      model: null,
      problems: (validate.errors ?? []).slice(0, 50).map(({ instancePath, message, params }) => ({
        rule: 'schema',
        place: placeOf(instancePath),
        says: `It ${message ?? 'is not right'}${detailOf(params)}.`,
        mend: 'The format is explained in docs/formats/model.md.',
      })),
    };
  }
  const problems = checkModel(document);
  return problems.length > 0 ? { model: null, problems } : { model: document, problems: [] };
}

const bad = (problem: ModelProblem): ReadModel => ({ model: null, problems: [problem] });

/** `/operations/3/face` → `operations[3].face`. */
const placeOf = (pointer: string): string =>
  pointer === ''
    ? 'document'
    : pointer
        .slice(1)
        .replace(/\/(\d+)/g, '[$1]')
        .replaceAll('/', '.');

function detailOf(params: Record<string, unknown>): string {
  if (Array.isArray(params.allowedValues)) return `: ${params.allowedValues.join(', ')}`;
  if (typeof params.additionalProperty === 'string') return `: “${params.additionalProperty}”`;
  return '';
}
