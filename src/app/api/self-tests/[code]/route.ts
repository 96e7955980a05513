import { NextResponse } from 'next/server';
import { answerRefusal } from '@/app/access';
import type { Fact } from '@/core/shop/facts';
import { refuse, type Outcome } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { saveDone } from '@/data/selfTest/selfTestRepository';
import { SelfReadDto } from '@/dto/selfTest/SelfTestDtos';
import { parseDto } from '@/dto/parseDto';
import { currentVersion } from '@/services/facts/currentVersion';
import { recordFact } from '@/services/facts/recordFact';
import { takeReadings } from '@/services/instruments/takeReadings';
import { readSelfTest } from '@/services/selfTest/readSelfTest';
import { weighSelfRead, type WeighedRead } from '@/services/selfTest/weighSelfRead';
import { openToUnits } from '../openToUnits';

interface Context {
  readonly params: Promise<{ readonly code: string }>;
}

/** What is tested on the unit that carries this code. */
export const GET = openToUnits<Context>(async (_request, { params }) => {
  const view = await readSelfTest(database(), (await params).code, new Date());
  return view.ok ? NextResponse.json(view.value) : answerRefusal(view, 404);
});

/** What the page read: recorded under the name of who made the page, or landed at their bench. Twice is once. */
export const POST = openToUnits<Context>(async (request, { params }) => {
  const { code } = await params;
  const given = parseDto(SelfReadDto, await request.json().catch(() => null));
  if (!given.ok) return answerRefusal(given, 400);
  const now = new Date();
  const weighed = await weighSelfRead(database(), code, given.value, now);
  if (!weighed.ok) return answerRefusal(weighed, weighed.refusal.reason === 'self-test-over' ? 404 : 422);
  const taken = await record(weighed.value, now);
  if (!taken.ok) return answerRefusal(taken);
  const { tests } = weighed.value;
  if (Object.keys(tests).length > 0) await saveDone(database(), code, given.value.read.is);
  return NextResponse.json({ tests });
});

/** Somebody at the bench may note something of the unit at the same moment. */
const mostTries = 4;

async function record({ person, facts, messages }: WeighedRead, now: Date): Promise<Outcome<null>> {
  for (const fact of facts) {
    const outcome = await recordUnlessStale(person, fact, now);
    if (!outcome.ok) return outcome;
  }
  if (messages.length === 0) return { ok: true, value: null };
  const [refused] = (await takeReadings(database(), person.bench, messages, now)).flatMap(({ refusal }) =>
    refusal && refusal.reason !== 'reading-doubled' ? [refusal] : [],
  );
  return refused ? { ok: false, refusal: refused } : { ok: true, value: null };
}

async function recordUnlessStale(person: WeighedRead['person'], fact: Fact, now: Date): Promise<Outcome<null>> {
  for (let tries = 1; ; tries += 1) {
    const expects = await currentVersion(database(), fact);
    const outcome = await recordFact(database(), person, { ...fact, expects }, now);
    if (outcome.ok) return { ok: true, value: null };
    if (outcome.refusal.reason !== 'stale') return outcome;
    if (tries === mostTries) return refuse('fault');
  }
}
