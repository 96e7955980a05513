'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { Model } from '@/core/procedure/model';
import { applyPatch, type Path } from '@/core/procedure/patch';
import { ChoiceCell, FieldRow } from '../FieldRow';
import { root, type Field } from './formatSchema';
import { SchemaFields } from './SchemaFields';
import * as names from '@/words/catalogue/fields';

/** Lists that have things of their own to choose from: the whole model shows the rest. */
const listed = ['operations', 'parts', 'joints', 'faces'] as const;

/**
 * Every field that the format has, for whatever is chosen: the line at hand, a joint, a part, a face, or the model. The
 * form is made of the published schema, so that nothing can be written only as JSON.
 */
export function FieldsSheet({
  model,
  at,
  onChange,
}: {
  readonly model: Model;
  /** The line at hand. */
  readonly at: number;
  readonly onChange: (model: Model) => void;
}) {
  const [chosen, setChosen] = useState('line');
  const path = pathOf(model, at, chosen);
  const onSet = (where: Path, value: unknown) => onChange(applyPatch(model, [{ path: where, value }]));
  const own = new Set(model.operations[at]?.opens);
  const options = Object.fromEntries([
    ...(model.operations[at] ? [['line', names.thisLine()]] : []),
    ['model', names.wholeModel()],
    ...[...model.joints]
      .sort((a, b) => Number(own.has(b.id)) - Number(own.has(a.id)))
      .map(({ id }) => [`joints ${id}`, names.jointNamed({ id })]),
    ...model.parts.map(({ id }) => [`parts ${id}`, names.partNamed({ id })]),
    ...model.faces.map(({ id }) => [`faces ${id}`, names.faceNamed({ id })]),
  ]) as Readonly<Record<string, string>>;
  return (
    <Box maxW="760px">
      <FieldRow label={names.ofWhat()}>
        <ChoiceCell
          label={names.ofWhat()}
          value={options[chosen] ? chosen : 'model'}
          names={options}
          onTake={setChosen}
        />
      </FieldRow>
      <SchemaFields
        key={path.join(' ')}
        model={model}
        path={path}
        field={fieldOf(path)}
        without={path.length === 0 ? [...listed, 'format', 'version', '$schema'] : []}
        onSet={onSet}
      />
    </Box>
  );
}

function pathOf(model: Model, at: number, chosen: string): Path {
  if (chosen === 'line' && model.operations[at]) return ['operations', at];
  const [list, id] = chosen.split(' ') as ['joints' | 'parts' | 'faces', string?];
  const index = listed.includes(list) ? model[list].findIndex((thing) => thing.id === id) : -1;
  return index === -1 ? [] : [list, index];
}

const fieldOf = (path: Path): Field => {
  const [list] = path;
  return list === undefined ? root : ((root.properties?.[String(list)]?.items ?? {}) as Field);
};
