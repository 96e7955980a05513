import Ajv from 'ajv/dist/2020';
import schema from '../../docs/formats/match-problem.schema.json';
import { schemaFault } from './schemaFault';
import { judgeProblem } from '@/core/matchPlan/judgeProblem';
import type { MatchProblem } from '@/core/matchPlan/problem';
import { refuse, type Outcome } from '@/core/shared/outcome';

const validate = new Ajv({ strict: false }).compile<MatchProblem>(schema);

/** Documents of more than this are no shop's. */
const mostLetters = 50_000_000;

/**
 * Reads a match problem: JSON, then the published schema, then what a schema cannot say.
 *
 * @refuses 'match-invalid' with the first place at fault
 */
export function readMatchProblem(text: string): Outcome<MatchProblem> {
  if (text.length > mostLetters) return refuse('match-invalid', { place: 'document', fault: 'too large' });
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return refuse('match-invalid', { place: 'document', fault: 'no JSON' });
  }
  return judgeDocument(document);
}

/** The same of a document that is parsed already. @refuses 'match-invalid' */
export function judgeDocument(document: unknown): Outcome<MatchProblem> {
  if (!validate(document)) {
    const { place, error } = schemaFault(validate.errors);
    return refuse('match-invalid', { place, fault: error?.message ?? 'schema' });
  }
  return judgeProblem(document);
}
