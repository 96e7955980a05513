import {
  operation as plainOperation,
  back as plainBack,
  smallModel,
  smallPart,
} from '../../../../tests/support/models';
import { tidied } from '@/core/drafting/tidied';
import { applyPatch, readPath } from '@/core/procedure/patch';
import type { Model } from '@/core/procedure/model';
import { emptyModel } from '@/core/drafting/emptyModel';
import { readDraftDocument } from '@/files/readDraftDocument';
import * as names from '@/words/catalogue/fields';
import { freshValue, resolved, root, type Field } from './formatSchema';
import { thingsFor } from './thingsFor';

/** Every field of the published format, by the thing it belongs to. */
function fieldsOf(field: Field, seen = new Set<string>()): readonly (readonly [string, Field])[] {
  if (field.$ref !== undefined) {
    if (seen.has(field.$ref)) return [];
    seen.add(field.$ref);
  }
  const shapes = field.oneOf ?? [field];
  return shapes.flatMap((shape) => {
    const own = resolved(shape, undefined);
    return [
      ...(own.items ? fieldsOf(own.items, seen) : []),
      ...Object.entries(own.properties ?? {}).flatMap(([key, inner]) => [
        [key, inner] as const,
        ...fieldsOf(inner, seen),
      ]),
    ];
  });
}

const all = fieldsOf(root).filter(([key]) => !key.startsWith('$'));

test('the editor has a name for every field of the format', () => {
  expect(all.length).toBeGreaterThan(150);
  const unnamed = [...new Set(all.map(([key]) => key))].filter((key) => !(key in names));
  expect(unnamed).toEqual([]);
});

test('whatever is added to a draft has the shape of the format', () => {
  const model = emptyModel({ maker: 'Fennick', name: 'Fielded', kind: 'phone' });
  for (const key of Object.keys(root.properties ?? {}).filter((name) => !name.startsWith('$') && name !== 'format')) {
    const added = applyPatch(model, [{ path: [key], value: freshValue(root.properties?.[key] as Field) }]);
    expect([key, readDraftDocument(added)]).toEqual([key, { model: added }]);
  }
});

test('ids are looked up among the things that a field names, and an id of its own is free', () => {
  const model = {
    ...emptyModel({ maker: 'F', name: 'M', kind: 'phone' }),
    joints: [{ id: 's1', kind: 'clip' }],
  } as unknown as Model;
  expect(thingsFor(model, ['operations', 0, 'opens'])).toEqual({ s1: 's1, clip' });
  expect(thingsFor(model, ['operations', 0, 'after', 0, 'any'])).toEqual({});
  expect(thingsFor(model, ['joints', 0, 'id'])).toBeUndefined();
});

test('what is begun in a form and left empty: lists are dropped when it is published, texts are asked for', () => {
  const begun = (given: Field, at: readonly (string | number)[]): readonly (readonly [string, Field])[] => {
    const own = resolved(given, undefined);
    return Object.entries(own.properties ?? {}).flatMap(([key, inner]) => {
      const place = [...at, key].join('.');
      const field = resolved(inner, undefined);
      const isOptional = own.required?.includes(key) !== true;
      const nested = field.properties
        ? begun(inner, [...at, key])
        : field.items
          ? begun(field.items, [...at, key, 0])
          : [];
      return isOptional && (field.type === 'array' || field.properties) ? [[place, inner] as const, ...nested] : nested;
    });
  };
  const model = emptyModel({ maker: 'Fennick', name: 'Begun', kind: 'phone' });
  const operation = smallModel([plainOperation('a', { frees: ['x'], back: plainBack() })]).operations[0];
  const ground = { ...smallModel([]), ...model, operations: [operation], parts: [smallPart('x', 'housing')] };
  const places = ['operations', 'parts', 'faces'].flatMap((list) =>
    begun((root.properties?.[list] as Field).items as Field, [list, 0]),
  );
  expect(places.length).toBeGreaterThan(40);
  for (const [place, field] of places) {
    const path = place.split('.').map((step) => (/^\d+$/.test(step) ? Number(step) : step));
    const empty = resolved(field, undefined).type === 'array' ? [] : {};
    if (!isThere(ground, path.slice(0, -1))) continue;
    const left = tidied(applyPatch(ground as Model, [{ path, value: empty }]));
    // An empty group with something required in it is no longer empty: the form fills that in.
    if (Array.isArray(empty) && readPath(left, path) !== undefined)
      expect([place, (resolved(field, undefined) as { minItems?: number }).minItems]).toEqual([place, undefined]);
  }
});

const isThere = (model: object, path: readonly (string | number)[]): boolean =>
  readPath(model as Model, path) !== undefined && readPath(model as Model, path) !== null;
