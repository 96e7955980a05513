import type { PartCategory } from '@/core/procedure/vocabulary';
import type { Role } from '@/core/people/roles';
import type { FieldValue, ShopChange, ShopChangeKind } from '@/core/people/shopChange';
import * as words from '@/words/catalogue/people';
import { day, list } from '@/words/format';
import { supplyInWords } from './supplyNames';
import { categoryNames, roleNames, yesOrNo } from './names';

const heads: Readonly<Record<ShopChangeKind, (said: { readonly about: string }) => string>> = {
  'person-added': words.personAdded,
  'person-changed': words.personChanged,
  'pin-renewed': words.pinRenewed,
  'bench-added': words.benchAdded,
  'bench-changed': words.benchChanged,
  'doer-corrected': words.doerCorrected,
  'rack-added': words.rackAdded,
  'rack-changed': words.rackChanged,
  'supply-counted': ({ about }) => words.supplyCounted({ about: supplyInWords(about) }),
  'supply-received': ({ about }) => words.supplyReceived({ about: supplyInWords(about) }),
  'supply-lead': ({ about }) => words.supplyLead({ about: supplyInWords(about) }),
};

/** What a lead changed, as a sentence. @param benchName the name of a bench by its id */
export function sayShopChange({ kind, about, fields }: ShopChange, benchName: (id: string) => string): string {
  const changes = list(
    fields.flatMap(({ field, from, to }) => {
      const names = fieldNames[field];
      if (!names || (kind.endsWith('-added') && field === 'name')) return [];
      const said = { field: names, from: sayValue(field, from, benchName), to: sayValue(field, to, benchName) };
      return [from === null ? words.fieldSet(said) : words.fieldChanged(said)];
    }),
  );
  return words.shopChange({ head: heads[kind]({ about }), changes, hasChanges: changes === '' ? 'no' : 'yes' });
}

const fieldNames: Readonly<Record<string, string>> = {
  name: words.fieldName(),
  role: words.fieldRole(),
  usualBench: words.fieldBench(),
  certifiedUntil: words.fieldCertificate(),
  hasLeft: words.fieldLeft(),
  isInUse: words.fieldInUse(),
  doer: words.fieldDoer(),
  rows: words.fieldRows(),
  boxes: words.fieldBoxes(),
  room: words.fieldRoom(),
  category: words.fieldCategory(),
  count: words.fieldCount(),
  because: words.fieldBecause(),
  days: words.fieldDays(),
};

function sayValue(field: string, value: FieldValue, benchName: (id: string) => string): string {
  if (value === null) return words.fieldNothing();
  if (typeof value === 'boolean') return value ? yesOrNo.yes : yesOrNo.no;
  if (field === 'category') return categoryNames[value as PartCategory] ?? value;
  if (field === 'role') return roleNames[value as Role] ?? value;
  if (field === 'usualBench') return benchName(value);
  return field === 'certifiedUntil' ? day(value) : value;
}
