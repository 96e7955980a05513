import { readFileSync, writeFileSync } from 'node:fs';
import { formulate } from '@/core/matchPlan/formulate';
import { writeLp } from '@/core/matchPlan/writeLp';
import { readMatchProblem } from '@/files/matchProblemDocument';
import { sayRefusal } from '@/words/say/sentences';
import { solveProblem } from '@/workers/match/solveProblem';
import { say, Trouble } from '../support/say';

const seconds = 60;

/** Solves a match problem that was written down, or writes it as an LP file for another solver. */
export async function match([file = '', ...rest]: readonly string[]): Promise<void> {
  const text = readOr(file);
  const read = readMatchProblem(text);
  if (!read.ok)
    throw new Trouble(sayRefusal(read.refusal), 'docs/formats/match-problem.schema.json says what stands in one.');
  const to = rest[0] === '--lp' ? rest[1] : undefined;
  if (to !== undefined) {
    writeFileSync(to, writeLp(formulate(read.value).model));
    return say(`Written to ${to}: any solver that reads LP files finds the same money.`);
  }
  const solved = await solveProblem(read.value, seconds);
  if (!solved.plan)
    throw new Trouble(
      solved.isImpossible
        ? 'There is no plan that keeps all that was asked.'
        : `No plan was found in ${seconds} seconds.`,
      'Leave out a firm order or a wish, or allow more minutes.',
    );
  return say(JSON.stringify(solved, null, 2));
}

function readOr(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    throw new Trouble(`There is no file “${file}”.`, './plucky match FILE [--lp FILE.lp]');
  }
}
