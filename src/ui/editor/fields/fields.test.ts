import { applyPatch } from '@/core/procedure/patch';
import type { Model } from '@/core/procedure/model';
import { emptyModel } from '@/core/drafting/emptyModel';
import { readDraftDocument } from '@/files/readDraftDocument';
import * as names from '@/words/catalogue/fields';
import { freshValue, resolved, root, type Field } from './formatSchema';
import { idsFor } from './idsFor';

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
  const model = { ...emptyModel({ maker: 'F', name: 'M', kind: 'phone' }), joints: [{ id: 's1' }] } as unknown as Model;
  expect(idsFor(model, ['operations', 0, 'opens'])).toEqual(new Set(['s1']));
  expect(idsFor(model, ['operations', 0, 'after', 0, 'any'])).toEqual(new Set());
  expect(idsFor(model, ['joints', 0, 'id'])).toBeUndefined();
});
