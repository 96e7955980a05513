import schema from '../../docs/formats/model.schema.json';
import type { Model } from '@/core/procedure/model';

interface Definition {
  readonly $ref?: string;
  readonly type?: string;
  readonly enum?: readonly string[];
  readonly oneOf?: readonly Definition[];
  readonly items?: Definition;
  readonly properties?: Readonly<Record<string, Definition & { readonly const?: string }>>;
}
const definitions = schema.$defs as unknown as Readonly<Record<string, Definition>>;
const root = schema as unknown as Definition;

/** Lists of words that are tested where they are first used; elsewhere the same words may come or not. */
const wordsElsewhere = /absentFindings|minutesWhen\.findings|gate\.tests|motion\.also/;

const named = ({ $ref }: Definition): string | undefined => $ref?.split('/').at(-1);

/** Every property, and every word of a kind, that the published format offers. */
export function formatFeatures(): ReadonlySet<string> {
  const found = new Set<string>();
  const seen = new Set<string>();
  const visit = (definition: Definition, path: string): void => {
    const name = named(definition);
    if (name !== undefined) {
      if (seen.has(name)) return;
      seen.add(name);
      return visit(definitions[name] as Definition, name);
    }
    for (const choice of definition.oneOf ?? []) visit(choice, path);
    if (!wordsElsewhere.test(path)) for (const word of definition.enum ?? []) found.add(`${path}=${word}`);
    if (definition.items) visit(definition.items, path);
    for (const [key, property] of Object.entries(definition.properties ?? {})) {
      found.add(`${path}.${key}`);
      visit(property, `${path}.${key}`);
    }
  };
  visit(root, 'model');
  return found;
}

/** Those of them that a model uses. */
export function featuresUsed(model: Model): ReadonlySet<string> {
  const used = new Set<string>();
  const visit = (node: unknown, definition: Definition, path: string): void => {
    const name = named(definition);
    if (name !== undefined) return visit(node, definitions[name] as Definition, name);
    if (definition.oneOf) {
      const choice = definition.oneOf.find((option) => isFor(option, node));
      return choice && visit(node, choice, path);
    }
    if (definition.enum) used.add(`${path}=${String(node)}`);
    if (definition.items) for (const entry of node as unknown[]) visit(entry, definition.items, path);
    for (const [key, value] of Object.entries(definition.properties ? (node as object) : {})) {
      const property = definition.properties?.[key];
      if (!property) continue;
      used.add(`${path}.${key}`);
      visit(value, property, `${path}.${key}`);
    }
  };
  visit(model, root, 'model');
  return used;
}

function isFor(option: Definition, node: unknown): boolean {
  if (option.type === 'null' || node === null) return option.type === 'null' && node === null;
  const kind = option.properties?.kind;
  if (!kind) return true;
  const own = (node as { kind?: string }).kind ?? '';
  return kind.const === own || (kind.enum ?? []).includes(own);
}
