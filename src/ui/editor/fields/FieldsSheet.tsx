'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { screwName } from '@/core/procedure/drives';
import { isScrew } from '@/core/procedure/joints';
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
  onChoose,
  onChange,
}: {
  readonly model: Model;
  /** The line at hand. */
  readonly at: number;
  /** Another line is to be at hand. */
  readonly onChoose: (at: number) => void;
  readonly onChange: (model: Model) => void;
}) {
  const line = model.operations[at];
  const [chosen, setChosen] = useState(line ? `operations ${line.id}` : 'model');
  const path = pathOf(model, chosen);
  const choose = (thing: string) => {
    const step = model.operations.findIndex(({ id }) => thing === `operations ${id}`);
    if (step === -1 || step === at) setChosen(thing);
    else onChoose(step);
  };
  const onSet = (where: Path, value: unknown) => onChange(applyPatch(model, [{ path: where, value }]));
  const own = new Set(line?.opens);
  const options = Object.fromEntries([
    ['model', names.wholeModel()],
    ...model.operations.map(({ id, title }, step) => [
      `operations ${id}`,
      names.lineNamed({ number: step + 1, title }),
    ]),
    ...[...model.joints]
      .sort((a, b) => Number(own.has(b.id)) - Number(own.has(a.id)))
      .map((joint) => [
        `joints ${joint.id}`,
        names.jointNamed({ id: joint.id, what: isScrew(joint) ? screwName(joint) : joint.kind }),
      ]),
    ...model.parts.map(({ id, name }) => [`parts ${id}`, names.partNamed({ name: name || id })]),
    ...model.faces.map(({ id, name }) => [`faces ${id}`, names.faceNamed({ name: name || id })]),
  ]) as Readonly<Record<string, string>>;
  return (
    <Box maxW="760px">
      <FieldRow label={names.ofWhat()}>
        <ChoiceCell label={names.ofWhat()} value={options[chosen] ? chosen : 'model'} names={options} onTake={choose} />
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

function pathOf(model: Model, chosen: string): Path {
  const [list, id] = chosen.split(' ') as [(typeof listed)[number], string?];
  const index = listed.includes(list) ? model[list].findIndex((thing) => thing.id === id) : -1;
  return index === -1 ? [] : [list, index];
}

const fieldOf = (path: Path): Field => {
  const [list] = path;
  return list === undefined ? root : ((root.properties?.[String(list)]?.items ?? {}) as Field);
};
