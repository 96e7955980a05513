import Ajv from 'ajv/dist/2020';
import firstSchema from '../../docs/formats/model-1.schema.json';
import schema from '../../docs/formats/model.schema.json';
import type { Model } from '@/core/procedure/model';
import { upgradeModel, type FirstModel } from '@/core/procedure/upgradeModel';
import { sizeFault } from './documentSize';

/** What a draft may still lack: texts may be empty, lists too, figures may be out of range. Shapes must be right. */
const forgiven = new Set(['minLength', 'minItems', 'minProperties', 'pattern', 'minimum', 'maximum', 'anyOf']);

const isForgiven = (key: string, value: unknown): boolean =>
  forgiven.has(key) && (typeof value !== 'object' || key === 'anyOf');

const relaxed = (strict: object) =>
  JSON.parse(JSON.stringify(strict), (_key, node: unknown) =>
    typeof node === 'object' && node !== null && !Array.isArray(node)
      ? Object.fromEntries(Object.entries(node).filter(([key, value]) => !isForgiven(key, value)))
      : node,
  ) as object;

const ajv = new Ajv({ strict: false });
const validate = ajv.compile<Model>({ ...relaxed(schema), $id: 'plucky-parcel/draft@2' });
/** A page that was open since before this format sends the first one. */
const validateFirst = ajv.compile<FirstModel>({ ...relaxed(firstSchema), $id: 'plucky-parcel/draft@1' });

/**
 * Reads a draft: a document with the shape of a model, in which things may still be missing or wrong. What is missing is
 * said by the checks; what has another shape could not even be drawn.
 *
 * @returns the draft, or the place and what is wrong with its shape
 */
export function readDraftDocument(document: unknown): { readonly model: Model } | { readonly says: string } {
  const size = sizeFault(document);
  if (size) return { says: `has ${size.count} in one place (${size.what}); the most is ${size.most}` };
  if (validateFirst(document)) return { model: upgradeModel(document) };
  if (validate(document)) return { model: document };
  const [error] = validate.errors ?? [];
  return { says: `${error?.instancePath || 'the document'} ${error?.message ?? 'is not right'}` };
}
