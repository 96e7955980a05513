import { featuresOf } from '@/core/procedure/features';
import type { Model } from '@/core/procedure/model';
import { screwGroups, screwName } from '@/core/screws/screwGroups';
import { cardOf } from './modelCard';

/** Two models held against each other. */
export interface Comparison {
  readonly rows: readonly { readonly label: string; readonly values: readonly [string, string] }[];
  readonly both: readonly string[];
  readonly onlyFirst: readonly string[];
  readonly onlySecond: readonly string[];
  /** Parts that fit both, by interchange class. */
  readonly shared: readonly { readonly interchange: string; readonly names: readonly [string, string] }[];
}

export function compareModels(a: Model, b: Model): Comparison {
  const pair = (read: (model: Model) => string): readonly [string, string] => [read(a), read(b)];
  const [featuresA, featuresB] = [featuresOf(a), featuresOf(b)];
  return {
    rows: [
      { label: 'kind', values: pair(({ kind }) => kind) },
      { label: 'operations', values: pair(({ operations }) => String(operations.length)) },
      { label: 'minutes of hands, likely', values: pair((model) => cardOf(model).minutes.toFixed(1)) },
      {
        label: 'minutes on a fixture',
        values: pair(({ operations }) => sum(operations.map(({ wait }) => wait?.minutes ?? 0)).toFixed(0)),
      },
      { label: 'parts', values: pair(({ parts }) => String(parts.length)) },
      { label: 'screws', values: pair(screwWords) },
      { label: 'tools', values: pair(({ operations }) => String(new Set(operations.map(({ tool }) => tool)).size)) },
      { label: 'faces', values: pair(({ faces }) => faces.map(({ name }) => name).join(', ')) },
      { label: 'size', values: pair(({ faces: [face] }) => (face ? `${face.widthMm} × ${face.heightMm} mm` : '')) },
    ],
    both: featuresA.filter((feature) => featuresB.includes(feature)),
    onlyFirst: featuresA.filter((feature) => !featuresB.includes(feature)),
    onlySecond: featuresB.filter((feature) => !featuresA.includes(feature)),
    shared: a.parts.flatMap(({ interchange, name }) => {
      const other = b.parts.find((part) => part.interchange === interchange);
      return other ? [{ interchange, names: [name, other.name] as const }] : [];
    }),
  };
}

const sum = (numbers: readonly number[]): number => numbers.reduce((total, number) => total + number, 0);

function screwWords({ joints }: Model): string {
  const groups = screwGroups(joints);
  const count = sum(groups.map((group) => group.count));
  return `${count} in ${groups.length} kinds, ${groups.map(screwName).join(', ')}`;
}
