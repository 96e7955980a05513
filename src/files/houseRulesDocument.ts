import Ajv from 'ajv/dist/2020';
import schema from '../../docs/formats/house-rules.schema.json';
import { houseRulesFormat as format, startingHouseRules, type HouseRules } from '@/core/shared/houseRules';
import { gradingFault, type ChosenAttribute, type GradingChoices } from '@/core/shared/gradingRules';
import { asWritten } from '@/core/shared/schools';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { schemaFault } from './schemaFault';
import { sizeFault } from './documentSize';

type Document = Omit<HouseRules, 'version'> & { readonly format: string };

const validate = new Ajv({ allErrors: true, strict: false }).compile<Document>(schema);

/** Rules that documents from before do not have: they stay as a shop begins. */
const newer = {
  isCertificateAsked: startingHouseRules.isCertificateAsked,
  shop: { address: startingHouseRules.shop.address },
  schools: asWritten,
  missingTools: startingHouseRules.missingTools,
  gradingChoices: startingHouseRules.gradingChoices,
  classLimits: startingHouseRules.classLimits,
  fixtures: startingHouseRules.fixtures,
  selling: startingHouseRules.selling,
  manyAlike: startingHouseRules.manyAlike,
  label: startingHouseRules.label,
  sessions: startingHouseRules.sessions,
};

/** The rules as a document that can be edited and read again. */
export function writeHouseRules({ version: _, ...rules }: HouseRules): string {
  return `${JSON.stringify({ format, ...rules } satisfies Document, null, 2)}\n`;
}

/**
 * Reads a document of house rules: JSON, then the published schema, then what a schema cannot say.
 *
 * @refuses 'rules-invalid' with the first place at fault
 */
export function readHouseRules(text: string): Outcome<Omit<HouseRules, 'version'>> {
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return refuse('rules-invalid', { place: 'document', fault: 'not-json' });
  }
  if (sizeFault(document)) return refuse('rules-invalid', { place: 'document', fault: 'too-large' });
  if (!validate(document)) {
    const { place, error } = schemaFault(validate.errors);
    return refuse('rules-invalid', { place, fault: error?.keyword ?? 'schema' });
  }
  const { format: _, ...rules } = document;
  const sum = Object.values(rules.gradeMix).reduce((total, share) => total + share, 0);
  if (Math.abs(sum - 1) > 1e-9) return refuse('rules-invalid', { place: 'gradeMix', fault: 'sum' });
  if (rules.saleGradeShift.better + rules.saleGradeShift.worse > 1)
    return refuse('rules-invalid', { place: 'saleGradeShift', fault: 'sum' });
  const { language, currency, timeZone } = rules.shop;
  try {
    new Intl.NumberFormat(language, { style: 'currency', currency });
    new Intl.DateTimeFormat(language, { timeZone });
  } catch {
    return refuse('rules-invalid', { place: 'shop', fault: 'unknown-code' });
  }
  const read = {
    ...newer,
    ...rules,
    shop: { ...newer.shop, ...rules.shop },
    // Attributes that came later begin as a shop does.
    gradingLimits: { ...startingHouseRules.gradingLimits, ...rules.gradingLimits },
    gradingChoices: choicesWith(rules.gradingChoices),
  };
  const fault = gradingFault(read);
  return fault ? refuse('rules-invalid', fault) : accept(read);
}

/** Choices that came later begin as a shop does, attribute by attribute. */
const choicesWith = (given: Partial<GradingChoices> | undefined): GradingChoices =>
  Object.fromEntries(
    Object.entries(startingHouseRules.gradingChoices).map(([id, choices]) => [
      id,
      { ...choices, ...given?.[id as ChosenAttribute] },
    ]),
  ) as GradingChoices;
