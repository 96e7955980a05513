import { unattendedMinutes } from '@/core/procedure/operations';
import { featuresOf, type Feature } from '@/core/procedure/features';
import type { Model } from '@/core/procedure/model';
import { screwName } from '@/core/procedure/drives';
import { screwGroups } from '@/core/screws/screwGroups';
import { cardOf } from './modelCard';
import { message, type Message, type Wording } from '@/core/shared/message';

/** Two models held against each other. */
export interface Comparison {
  readonly rows: readonly {
    readonly label: Message<'library'>;
    readonly values: readonly [Wording<'library'>, Wording<'library'>];
  }[];
  readonly both: readonly Feature[];
  readonly onlyFirst: readonly Feature[];
  readonly onlySecond: readonly Feature[];
  /** Parts that fit both, by interchange class. */
  readonly shared: readonly { readonly interchange: string; readonly names: readonly [string, string] }[];
}

export function compareModels(a: Model, b: Model): Comparison {
  const pair = (read: (model: Model) => Wording<'library'>): readonly [Wording<'library'>, Wording<'library'>] => [
    read(a),
    read(b),
  ];
  const [featuresA, featuresB] = [featuresOf(a), featuresOf(b)];
  return {
    rows: [
      { label: message('library.kind'), values: pair(({ kind }) => message('library.kindOf', { kind })) },
      { label: message('library.operations'), values: pair(({ operations }) => String(operations.length)) },
      { label: message('library.handsOnMinutesLikely'), values: pair((model) => cardOf(model).minutes.toFixed(1)) },
      {
        label: message('library.minutesOnFixture'),
        values: pair(({ operations }) => sum(operations.map(unattendedMinutes)).toFixed(0)),
      },
      { label: message('library.parts'), values: pair(({ parts }) => String(parts.length)) },
      { label: message('library.screws'), values: pair(screwWords) },
      {
        label: message('library.tools'),
        values: pair(({ operations }) => String(new Set(operations.map(({ tool }) => tool)).size)),
      },
      { label: message('library.faces'), values: pair(({ faces }) => faces.map(({ name }) => name).join(', ')) },
      {
        label: message('library.size'),
        values: pair(({ faces: [face] }) => (face ? `${face.widthMm} × ${face.heightMm} mm` : '')),
      },
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

function screwWords({ joints }: Model): Message<'library'> {
  const groups = screwGroups(joints).filter(({ kind }) => kind === 'screw');
  const count = sum(groups.map((group) => group.count));
  return message('library.screwKind', { count, groups: groups.length, names: groups.map(screwName) });
}
