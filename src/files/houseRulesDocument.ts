import Ajv from 'ajv/dist/2020';
import schema from '../../docs/formats/house-rules.schema.json';
import { houseRulesFormat as format, startingHouseRules, type HouseRules } from '@/core/shared/houseRules';
import { gradingFault } from '@/core/shared/gradingRules';
import { asWritten } from '@/core/shared/schools';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
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
    const [error] = validate.errors ?? [];
    const property = error?.params.additionalProperty ?? error?.params.missingProperty;
    const path = [...(error?.instancePath ?? '').split('/').slice(1), ...(property ? [String(property)] : [])];
    return refuse('rules-invalid', { place: path.join('.') || 'document', fault: error?.keyword ?? 'schema' });
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
    gradingChoices: { ...startingHouseRules.gradingChoices, ...rules.gradingChoices },
  };
  const fault = gradingFault(read);
  return fault ? refuse('rules-invalid', fault) : accept(read);
}
