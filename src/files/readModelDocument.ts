import Ajv from 'ajv/dist/2020';
import firstSchema from '../../docs/formats/model-1.schema.json';
import schema from '../../docs/formats/model.schema.json';
import { message, type Message } from '@/core/shared/message';
import { checkModel } from '@/core/procedure/checkModel';
import { placeOf, type ModelProblem } from '@/core/procedure/checks/problem';
import { modelFormat, type Model } from '@/core/procedure/model';
import { firstFormat, upgradeModel, type FirstModel } from '@/core/procedure/upgradeModel';
import type { Path } from '@/core/procedure/patch';
import { sizeFault } from './documentSize';

const ajv = new Ajv({ allErrors: true, strict: false });
const validate = ajv.compile<Model>(schema);
/** Documents of the first format are read as well: they are checked by their own schema, then made into this one. */
const validateFirst = ajv.compile<FirstModel>(firstSchema);

/** Most faults of one document that are told; more would not be read. */
const mostFaults = 50;

export interface ReadModel {
  /** What can be drawn and edited; null when the document does not satisfy the schema. */
  readonly model: Model | null;
  readonly problems: readonly ModelProblem[];
  /** Faults beyond those that are told. */
  readonly more: number;
}

/**
 * Reads a model document: JSON, then the published schema, then the checks of the core. Each fault names its place. A
 * document that satisfies the schema comes back even when the checks find faults: it can be previewed and mended.
 */
export function readModelDocument(text: string): ReadModel {
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const says = error instanceof Error ? error.message : 'no JSON';
    return fault('json', message('checks.fileNotJson', { says }), message('checks.correctInTextEditor'));
  }
  const size = sizeFault(document);
  if (size) {
    const { what, count, most, path } = size;
    const says = message('checks.tooMany', { what, count, most });
    return {
      model: null,
      problems: [
        {
          rule: 'too-large',
          severity: 'error',
          place: placeOf(document, path),
          path,
          says,
          mend: message('checks.takeOut'),
        },
      ],
      more: 0,
    };
  }
  const format = (document as { format?: unknown } | null)?.format;
  const isFirst = format === firstFormat;
  if (typeof format === 'string' && format !== modelFormat && !isFirst && format.startsWith('plucky-parcel/model@')) {
    return fault(
      'format-newer',
      message('checks.writtenInFormatThisApplication', { format: format.slice(-12), own: modelFormat }),
      message('checks.exportForThisFormatOr'),
    );
  }
  const isRight = isFirst ? validateFirst(document) : validate(document);
  if (!isRight) {
    // The alternatives of a choice report their own misses; the choice itself says nothing more.
    const faults = ((isFirst ? validateFirst : validate).errors ?? []).filter(({ keyword }) => keyword !== 'oneOf');
    const problems = faults.slice(0, mostFaults).map(({ instancePath, message: text, params }) => {
      const path = pathOf(document, instancePath);
      return {
        rule: 'schema',
        severity: 'error' as const,
        place: placeOf(document, path),
        path,
        says: message('checks.it', { says: text ?? 'is not right', detail: detailOf(params) }),
        mend: message('checks.docsFormatsModelMdExplains'),
      };
    });
    return { model: null, problems, more: faults.length - problems.length };
  }
  const model = upgradeModel(document as Model | FirstModel);
  const found = checkModel(model);
  const problems = found.length <= mostFaults ? found : worstFirst(found).slice(0, mostFaults);
  return { model, problems, more: found.length - problems.length };
}

/** Of many, those that stand in the way come first, each kind in the order of the document. */
const worstFirst = (problems: readonly ModelProblem[]): readonly ModelProblem[] => [
  ...problems.filter(({ severity }) => severity === 'error'),
  ...problems.filter(({ severity }) => severity !== 'error'),
];

/** Whether a document may be published: warnings may stay, errors may not. */
export const isPublishable = ({ model, problems }: ReadModel): boolean =>
  model !== null && problems.every(({ severity }) => severity !== 'error');

const fault = (rule: string, says: Message<'checks'>, mend: Message<'checks'>): ReadModel => ({
  model: null,
  problems: [{ rule, severity: 'error', place: 'document', path: [], says, mend }],
  more: 0,
});

/** `/operations/3/face` → the path; numbers only where there is a list. */
function pathOf(document: unknown, pointer: string): Path {
  let node = document;
  return pointer
    .split('/')
    .slice(1)
    .map((step) => {
      const name = step.replaceAll('~1', '/').replaceAll('~0', '~');
      const key = Array.isArray(node) ? Number(name) : name;
      node = (node as Record<string | number, unknown> | undefined)?.[key];
      return key;
    });
}

function detailOf(params: Record<string, unknown>): string {
  if (Array.isArray(params.allowedValues)) return `: ${params.allowedValues.join(', ')}`;
  if (typeof params.additionalProperty === 'string') return `: “${params.additionalProperty}”`;
  return '';
}
