import 'server-only';
import type { NextRequest } from 'next/server';
import { answerError, answerRefusal } from '@/app/access';
import { addressOf } from '@/app/session';
import { takeOne, type Bucket, type Pace } from '@/core/reading/rateLimit';
import { refuse } from '@/core/shared/outcome';

/** What each address may still ask, in this server's memory. A unit says a dozen things; who guesses codes says many. */
const buckets = new Map<string, Bucket>();
const pace: Pace = { mostAtOnce: 60, perSecond: 1 };
/** Beyond so many addresses the oldest are forgotten: nobody fills the memory by coming from everywhere. */
const mostAddresses = 5000;

type Handler<C> = (request: NextRequest, context: C) => Promise<Response>;

/** A route for a unit that carries a code and is nobody: asked so often and no oftener. */
export function openToUnits<C>(handle: Handler<C>, mostBytes = 200_000): Handler<C> {
  return async (request, context) => {
    try {
      const address = addressOf(request);
      const { bucket, isAllowed, waitSeconds } = takeOne(buckets.get(address), Date.now(), pace);
      buckets.delete(address);
      buckets.set(address, bucket);
      for (const oldest of buckets.keys()) {
        if (buckets.size <= mostAddresses) break;
        buckets.delete(oldest);
      }
      if (!isAllowed) return answerRefusal(refuse('too-often', { seconds: waitSeconds }), 429);
      if (Number(request.headers.get('content-length') ?? 0) > mostBytes)
        return answerRefusal(refuse('too-large', { most: `${mostBytes / 1e6} MB` }), 413);
      return await handle(request, context);
    } catch (error) {
      return answerError(error);
    }
  };
}
