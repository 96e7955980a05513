import { startingHouseRules } from '@/core/shared/houseRules';
import type { Person } from '@/core/people/roles';
import { certifiedStep, refusedToUncertified } from '@/core/rehearsal/certified';
import { recallsOf } from '@/data/rehearsals/rehearsalRepository';
import { TestBench } from '../../../tests/support/bench';
import { handset } from '../../../tests/support/models';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import { noteAnswers } from './noteAnswers';
import { readRehearsal } from './readRehearsal';

let scratch: Scratch;
const now = new Date('2026-11-26T08:00:00Z');
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

test('answers are remembered for the person and the model, and touch nothing else', async () => {
  const [imke, oskar] = [await somebody(scratch.db, 'Imke R.'), await somebody(scratch.db, 'Oskar V.')];
  const about = { personId: imke.id, modelId: handset.id };
  await noteAnswers(
    scratch.db,
    about,
    [
      { item: 'order:front', isRight: false },
      { item: 'order:front', isRight: true },
      { item: 'cup:front', isRight: true },
    ],
    now,
  );
  await noteAnswers(scratch.db, about, [{ item: 'order:front', isRight: true }], now);
  const mine = await readRehearsal(scratch.db, handset.id, imke.id);
  expect(mine?.recalls).toEqual([
    { item: 'cup:front', box: 1, dueOn: '2026-11-27', right: 1, wrong: 0 },
    { item: 'order:front', box: 2, dueOn: '2026-11-29', right: 2, wrong: 1 },
  ]);
  expect((await readRehearsal(scratch.db, handset.id, oskar.id))?.recalls).toEqual([]);
  expect(await readRehearsal(scratch.db, 'no-such-model', imke.id)).toBeUndefined();
  expect(await scratch.db('facts')).toEqual([]);
});

test('two tabs at once lose no answer', async () => {
  const imke = await somebody(scratch.db, 'Petra L.');
  const about = { personId: imke.id, modelId: handset.id };
  const answer = { item: 'tool:front', isRight: true };
  await noteAnswers(scratch.db, about, [answer], now);
  await Promise.all(Array.from({ length: 5 }, () => noteAnswers(scratch.db, about, [answer], now)));
  expect((await readRehearsal(scratch.db, handset.id, imke.id))?.recalls).toMatchObject([{ right: 6 }]);
});

test('a step for certified people is refused to who has not rehearsed it, and taken from who has', async () => {
  const [imke, oskar] = [await somebody(scratch.db, 'Joris K.'), await somebody(scratch.db, 'Mirel A.')];
  const certified = handset.operations.find(({ needsCertificate }) => needsCertificate);
  const bench = new TestBench();
  bench.decided(handset, 'donor');
  const fact = (stepId: string) => ({
    id: 'e',
    type: 'step-done' as const,
    subjectId: 'u',
    expects: 1,
    at: now.toISOString(),
    payload: { stepId, seconds: 5, freed: [] },
  });
  const answers = ['order', 'tool'].map((skill) => ({ item: `${skill}:${certified?.id}`, isRight: true }));
  await noteAnswers(scratch.db, { personId: imke.id, modelId: handset.id }, answers, now);
  const judge = async (person: Person, stepId: string) => {
    const asked = certifiedStep(bench.world, fact(stepId));
    if (!asked) return undefined;
    const recalls = await recallsOf(scratch.db, person.id, asked.model.id);
    return refusedToUncertified(startingHouseRules, asked, { recalls, isCertified: false });
  };
  expect(await judge(imke, `out:${certified?.id}`)).toBeUndefined();
  expect(await judge(oskar, `out:${certified?.id}`)).toMatchObject({
    ok: false,
    refusal: { reason: 'rehearse-first', values: { step: certified?.title } },
  });
  // Its way back, and what needs no certificate, is open to everybody.
  expect(await judge(oskar, `back:${certified?.id}`)).toBeUndefined();
  expect(await judge(oskar, 'out:door')).toBeUndefined();
});
