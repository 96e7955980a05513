import schema from '../../../../docs/formats/model.schema.json';

/** A piece of the published schema, as far as a form asks. */
export interface Field {
  readonly $ref?: string;
  readonly type?: string;
  readonly enum?: readonly string[];
  readonly const?: string;
  readonly pattern?: string;
  readonly minimum?: number;
  readonly exclusiveMinimum?: number;
  readonly maximum?: number;
  readonly maxLength?: number;
  readonly required?: readonly string[];
  readonly properties?: Readonly<Record<string, Field>>;
  readonly items?: Field;
  readonly oneOf?: readonly Field[];
}

const definitions = schema.$defs as unknown as Readonly<Record<string, Field>>;
export const root = schema as unknown as Field;

/**
 * A field as it is for a value: a reference is followed, and of several shapes the one is taken that the value has.
 *
 * @param value  what stands there now
 */
export function resolved(field: Field, value: unknown): Field {
  if (field.$ref !== undefined) return resolved(definitions[field.$ref.split('/').at(-1) as string] ?? {}, value);
  if (!field.oneOf) return field;
  const kind = (value as { kind?: string } | null | undefined)?.kind;
  const shapes = field.oneOf.map((shape) => resolved(shape, value)).filter(({ type }) => type !== 'null');
  return (
    shapes.find(({ properties }) => {
      const own = properties?.kind;
      return own === undefined || own.const === kind || own.enum?.includes(kind ?? '') === true;
    }) ??
    shapes[0] ??
    {}
  );
}

/** Ids of the format all look alike. */
export const isId = ({ pattern, type }: Field): boolean =>
  type === 'string' && pattern?.startsWith('^[a-z0-9]') === true;

/** What a field is when it is added: the least that has its shape. */
export function freshValue(field: Field): unknown {
  const own = resolved(field, undefined);
  if (own.enum) return own.enum[0];
  if (own.type === 'boolean') return true;
  if (own.type === 'number' || own.type === 'integer')
    return Math.max(own.minimum ?? 0, own.exclusiveMinimum === undefined ? 0 : 1);
  if (own.type === 'array') return own.items && !isPlain(own.items) ? [freshValue(own.items)] : [];
  if (own.type === 'object' || own.properties)
    return Object.fromEntries((own.required ?? []).map((key) => [key, freshValue(own.properties?.[key] as Field)]));
  return '';
}

/** A list of these is one field: ticks, things of the model, or a line each. */
export const isPlain = (field: Field): boolean => {
  const own = resolved(field, undefined);
  return own.type === 'string' || own.enum !== undefined;
};
