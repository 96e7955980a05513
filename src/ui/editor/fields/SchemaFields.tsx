'use client';
import { Box } from '@chakra-ui/react';
import type { Model } from '@/core/procedure/model';
import { readPath, type Path } from '@/core/procedure/patch';
import { Button } from '@/ui/base/Button';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import type { Wording } from '@/core/shared/message';
import { ChoiceCell, FieldRow, TextCell } from '../FieldRow';
import { freshValue, isId, isPlain, resolved, type Field } from './formatSchema';
import { codeName } from './codeNames';
import { TextList, ThingList, TickList } from './PlainLists';
import { thingsFor } from './thingsFor';
import * as names from '@/words/catalogue/fields';

const labels = names as unknown as Readonly<Record<string, () => string>>;
/** What a field of the format is called, by the field that it is in where that makes it another thing. */
export function labelOf(key: string, within: string | undefined): string {
  const own = `${within}${key.charAt(0).toUpperCase()}${key.slice(1)}`;
  return (labels[own] ?? labels[key])?.() ?? key;
}

/** The field that a thing of the document stands in. */
const fieldAt = (path: Path): string | undefined =>
  [...path].reverse().find((step): step is string => typeof step === 'string');

const units: readonly (readonly [RegExp, string])[] = [
  [/Mm$|^mm$/, 'mm'],
  [/Degrees$|^degrees$/, '°'],
  [/Celsius$|^celsius$/, '°C'],
  [/Cents$/, 'ct'],
  [/Minutes$|^minutes$/, 'min'],
  [/AmpHours$/, 'Ah'],
];
const unitOf = (key: string): string => units.find(([pattern]) => pattern.test(key))?.[1] ?? '';

interface FieldsProps {
  readonly model: Model;
  /** Where the thing stands in the document. */
  readonly path: Path;
  readonly field: Field;
  /** Fields that have a place of their own on this screen. */
  readonly without?: readonly string[];
  readonly onSet: (path: Path, value: unknown) => void;
}

/** Every field that the format has for a thing: those that it has, each by its kind, and the rest to add. */
export function SchemaFields({ model, path, field, without = [], onSet }: FieldsProps) {
  const value = readPath(model, path) as Readonly<Record<string, unknown>> | undefined;
  const { properties = {}, required = [] } = resolved(field, value);
  const keys = Object.keys(properties).filter((key) => !without.includes(key) && properties[key]?.const === undefined);
  const isThere = (key: string) => value?.[key] !== undefined && value[key] !== null;
  return (
    <Box>
      {keys.filter(isThere).map((key) => (
        <OneField
          key={key}
          model={model}
          path={[...path, key]}
          name={key}
          field={properties[key] as Field}
          isRequired={required.includes(key)}
          onSet={onSet}
        />
      ))}
      <Box display="flex" flexWrap="wrap" gap="6px" pt="6px">
        {keys
          .filter((key) => !isThere(key))
          .map((key) => (
            <Button key={key} size="small" onClick={() => onSet([...path, key], freshValue(properties[key] as Field))}>
              {names.add({ name: labelOf(key, fieldAt(path)) })}
            </Button>
          ))}
      </Box>
    </Box>
  );
}

function OneField({
  model,
  path,
  name,
  field,
  isRequired,
  onSet,
}: Omit<FieldsProps, 'without'> & { readonly name: string; readonly isRequired: boolean }) {
  const value = readPath(model, path);
  const own = resolved(field, value);
  const label = labelOf(name, fieldAt(path.slice(0, -1)));
  const remove = isRequired ? undefined : () => onSet(path, undefined);
  if (own.type === 'array' && own.items && !isPlain(own.items))
    return (
      <ListField {...{ model, path, label, onSet, remove }} field={own.items} items={value as readonly unknown[]} />
    );
  if (own.properties)
    return (
      <Group label={label} onRemove={remove}>
        <SchemaFields model={model} path={path} field={own} onSet={onSet} />
      </Group>
    );
  return (
    <FieldRow label={label}>
      <Box display="grid" gridTemplateColumns={remove ? 'minmax(0, 1fr) auto' : 'minmax(0, 1fr)'} gap="6px">
        <PlainField {...{ model, path, name, label, isRequired, onSet }} field={own} value={value} />
        {remove && <RemoveButton label={label} onRemove={remove} />}
      </Box>
    </FieldRow>
  );
}

/** One line: a choice, a tick, a number with its unit, ids that are looked up, or a text. */
function PlainField({
  model,
  path,
  name,
  label,
  field,
  value,
  isRequired,
  onSet,
}: {
  readonly model: Model;
  readonly path: Path;
  readonly name: string;
  readonly label: string;
  readonly field: Field;
  readonly value: unknown;
  readonly isRequired: boolean;
  readonly onSet: FieldsProps['onSet'];
}) {
  if (field.enum)
    return (
      <ChoiceCell
        label={label}
        value={String(value)}
        names={choicesOf(field, name, path)}
        onTake={(word) => onSet(path, word)}
      />
    );
  if (field.type === 'boolean')
    return (
      <Box as="label" display="inline-flex" gap="8px" alignItems="center" minH="32px">
        <input
          type="checkbox"
          aria-label={label}
          checked={value === true}
          onChange={() => onSet(path, value === true ? false : true)}
        />
        {names.isTrue()}
      </Box>
    );
  if (field.type === 'number' || field.type === 'integer') {
    const unit = unitOf(name);
    const read = (text: string) => Number(text.trim().replace(',', '.'));
    const isNumber = (text: string) =>
      text.trim() !== '' && Number.isFinite(read(text)) && (field.type === 'number' || Number.isInteger(read(text)));
    return (
      <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 34px" gap="6px" alignItems="center">
        <TextCell
          label={label}
          value={String(value)}
          whyNot={(text) => {
            if (!isNumber(text)) return names.notANumber({ unit: unit === '' ? 'none' : unit });
            return isWithin(field, read(text)) ? null : sayRange(field);
          }}
          onTake={(text) => onSet(path, read(text))}
        />
        <span>{unit}</span>
      </Box>
    );
  }
  const things = thingsFor(model, path);
  if (field.type === 'array') {
    const values = value as readonly string[];
    const item = resolved(field.items ?? {}, undefined);
    const set = (next: readonly string[]) => onSet(path, next);
    if (item.enum) return <TickList {...{ label, values }} options={choicesOf(item, name, path)} onSet={set} />;
    if (isId(item) && things) return <ThingList {...{ label, values, things }} onSet={set} />;
    return <TextList {...{ label, values }} onSet={set} />;
  }
  if (isId(field) && things) {
    const known = typeof value === 'string' ? value : '';
    const isLost = things[known] === undefined;
    return (
      <ChoiceCell
        label={label}
        value={known}
        names={isLost ? { [known]: known === '' ? names.addChoice() : names.noSuch({ id: known }), ...things } : things}
        onTake={(id) => onSet(path, id)}
      />
    );
  }
  return (
    <TextCell
      label={label}
      value={saySheet(value as Wording<'sheet'>)}
      whyNot={(text) => whyNot(field, text.trim())}
      // What need not be there is gone when nothing stands in it.
      onTake={(text) => onSet(path, text.trim() === '' && !isRequired ? undefined : text.trim())}
    />
  );
}

const isWithin = ({ minimum, maximum, exclusiveMinimum }: Field, value: number): boolean =>
  value >= (minimum ?? -Infinity) && value <= (maximum ?? Infinity) && value > (exclusiveMinimum ?? -Infinity);

const sayRange = ({ minimum, maximum, exclusiveMinimum }: Field): string =>
  names.outOfRange({
    low: minimum ?? exclusiveMinimum ?? 0,
    high: maximum ?? 0,
    hasHigh: maximum === undefined ? 'no' : 'yes',
  });

/** Why a text cannot stand in a field; an empty one may, since a draft may be unfinished. */
function whyNot(field: Field, text: string): string | null {
  const { pattern, maxLength = Infinity } = field;
  if (text === '' || ((pattern === undefined || new RegExp(pattern).test(text)) && text.length <= maxLength))
    return null;
  return isId(field) ? names.notAnId() : names.notThisForm();
}

/** The codes of a field by their words. */
const choicesOf = (field: Field, name: string, path: Path): Readonly<Record<string, string>> =>
  Object.fromEntries((field.enum ?? []).map((code) => [code, codeName(name, code, path.length === 1)]));

function ListField({
  model,
  path,
  label,
  field,
  items,
  remove,
  onSet,
}: {
  readonly model: Model;
  readonly path: Path;
  readonly label: string;
  readonly field: Field;
  readonly items: readonly unknown[];
  readonly remove: (() => void) | undefined;
  readonly onSet: FieldsProps['onSet'];
}) {
  return (
    <Group label={label} onRemove={remove}>
      {items.map((item, at) => {
        const title = (item as { id?: string; title?: string; name?: string } | null)?.id ?? String(at + 1);
        return (
          <Group
            key={`${at} ${items.length}`}
            label={title}
            onRemove={() =>
              onSet(
                path,
                items.filter((_, other) => other !== at),
              )
            }
          >
            <SchemaFields model={model} path={[...path, at]} field={field} onSet={onSet} />
          </Group>
        );
      })}
      <Button size="small" onClick={() => onSet([...path, items.length], freshValue(field))}>
        {names.addOne()}
      </Button>
    </Group>
  );
}

function Group({
  label,
  onRemove,
  children,
}: {
  readonly label: string;
  readonly onRemove?: () => void;
  readonly children: React.ReactNode;
}) {
  return (
    <Box as="fieldset" borderInlineStartWidth="2px" borderColor="twine" ps="10px" my="6px" aria-label={label}>
      <Box display="flex" justifyContent="space-between" alignItems="center" gap="8px">
        <strong>{label}</strong>
        {onRemove && <RemoveButton label={label} onRemove={onRemove} />}
      </Box>
      {children}
    </Box>
  );
}

const RemoveButton = ({ label, onRemove }: { readonly label: string; readonly onRemove: () => void }) => (
  <Button size="small" aria-label={names.removeThis({ name: label })} onClick={onRemove}>
    {names.remove()}
  </Button>
);
