import 'server-only';
import { NextResponse, type NextRequest } from 'next/server';
import { answerError, answerRefusal } from '@/app/access';
import { bearerOf } from '@/app/bearer';
import type { ReadingMessage } from '@/core/instruments/message';
import { takeOne, type Bucket, type Pace } from '@/core/reading/rateLimit';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { findInstrument } from '@/data/instruments/instrumentKeys';
import { ReadingDto } from '@/dto/instruments/ReadingDto';
import { parseDto } from '@/dto/parseDto';
import { takeReadings, type ReadingAnswer } from '@/services/instruments/takeReadings';
import { linesOf } from './linesOf';

/** What each instrument may still say, in this server's memory: several servers allow each their share. */
const buckets = new Map<string, Bucket>();
const pace: Pace = { mostAtOnce: 400, perSecond: 200 };
const mostBytes = 1_000_000;
const mostTogether = 100;

/**
 * What instruments say: one message as JSON, or a stream of them, one a line, each answered by a line. For whoever carries a key
 * of a bench; nothing can be read with it.
 */
export async function POST(request: NextRequest): Promise<Response> {
  try {
    const key = bearerOf(request);
    const instrument = key === undefined ? undefined : await findInstrument(database(), key);
    if (!instrument) return answerRefusal(refuse('not-signed-in'), 401);
    const isStream = request.headers.get('content-type')?.startsWith('application/x-ndjson') ?? false;
    if (isStream)
      return new Response(answerStream(instrument, request), { headers: { 'content-type': 'application/x-ndjson' } });
    if (Number(request.headers.get('content-length') ?? 0) > mostBytes)
      return answerRefusal(refuse('too-large', { most: '1 MB' }), 413);
    const [answer] = await takeAll(instrument, [await request.json().catch(() => null)]);
    return answer?.refusal
      ? answerRefusal({ ok: false, refusal: answer.refusal }, answer.refusal.reason === 'reading-flood' ? 429 : 422)
      : NextResponse.json(answer);
  } catch (error) {
    return answerError(error);
  }
}

interface Instrument {
  readonly id: string;
  readonly bench: string;
}

/** Messages in their order, each judged by itself: one that is none of ours does not stop the others. */
async function takeAll(instrument: Instrument, said: readonly unknown[]): Promise<readonly ReadingAnswer[]> {
  const answers: ReadingAnswer[] = [];
  const right: ReadingMessage[] = [];
  for (const one of said) {
    const id = idOf(one);
    const { bucket, isAllowed, waitSeconds } = takeOne(buckets.get(instrument.id), Date.now(), pace);
    buckets.set(instrument.id, bucket);
    const parsed = parseDto(ReadingDto, one);
    if (!isAllowed) answers.push({ id, ok: false, refusal: flood(one, waitSeconds) });
    else if (!parsed.ok) answers.push({ id, ok: false, refusal: parsed.refusal });
    else right.push(parsed.value);
  }
  const taken = right.length > 0 ? await takeReadings(database(), instrument.bench, right, new Date()) : [];
  return [...answers, ...taken];
}

const flood = (said: unknown, wait: number) =>
  ({
    reason: 'reading-flood',
    values: { instrument: String((said as { instrument?: unknown } | null)?.instrument ?? '').slice(0, 20), wait },
  }) as const;

const idOf = (said: unknown): string => String((said as { id?: unknown } | null)?.id ?? '').slice(0, 36);

/** Answers line by line, as the lines come; those that came together are written down together. */
function answerStream(instrument: Instrument, request: NextRequest): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  const batches = linesOf(request.body, mostBytes, mostTogether);
  return new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { value: lines, done } = await batches.next();
      if (done) return controller.close();
      const answers = await takeAll(instrument, lines.map(parsed));
      return controller.enqueue(encoder.encode(answers.map((answer) => `${JSON.stringify(answer)}\n`).join('')));
    },
    async cancel() {
      await batches.return(undefined);
    },
  });
}

function parsed(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return null;
  }
}
