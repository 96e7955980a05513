import type { Refusal } from '@/core/shared/outcome';

/** Refusals that are about one field of a form, with that field. */
const ofField: Partial<Record<Refusal['reason'], string>> = {
  'name-taken': 'name',
  'code-taken': 'code',
  'last-lead': 'role',
};

/** Marks a field when it is the one that was refused; the words stand under the form. */
export function atFault(refusal: Refusal | null, field: string): { readonly 'aria-invalid'?: true } {
  const named = refusal && (refusal.reason === 'bad-input' ? refusal.values.field : ofField[refusal.reason]);
  return named === field ? { 'aria-invalid': true } : {};
}
