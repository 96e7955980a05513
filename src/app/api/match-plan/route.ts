import { answerRefusal, guardRoute } from '@/app/access';
import { classNames, planRows, toBuy } from '@/core/matching/planView';
import { orderOfPlan } from '@/core/matching/orders';
import { plainTerms } from '@/core/matching/stockProblem';
import { database } from '@/data/connection';
import { shopDay } from '@/core/shared/shopDay';
import { lastPosition } from '@/data/facts/factRepository';
import { openOrders } from '@/data/orders/orderRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { MatchTermsDto } from '@/dto/match/MatchTermsDto';
import { parseDto } from '@/dto/parseDto';
import { keepKnownWays, readKnownWays } from '@/services/match/knownWays';
import { readMatchStock } from '@/services/match/readMatchStock';
import { matchThreads } from '@/workers/match/planAside';

/** A search ends after so long with what it has. */
const mostSeconds = 20;

/**
 * The plan of the whole stock, line by line as it is found: `{ "progress": … }` while it goes on, and the plan, or why there is none, at
 * the end. Whoever hangs up ends the search.
 */
export const POST = guardRoute('POST /api/match-plan', async (request) => {
  const asked = parseDto(MatchTermsDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const { days, hours, certifiedHours, isAnew, wishes, slotWishes } = asked.value;
  const now = new Date();
  // The log first: what comes while the rest is read is told as news.
  const position = await lastPosition(database());
  const [stock, rules, orders] = await Promise.all([
    readMatchStock(database(), now),
    currentRules(database()),
    openOrders(database()),
  ]);
  const today = shopDay(now.getTime(), rules.shop.timeZone);
  const free = new Set(stock.units.map(({ tag }) => tag));
  const terms = {
    ...plainTerms,
    horizonDays: days,
    handsMinutes: hours === null ? null : hours * 60,
    certifiedMinutes: certifiedHours === null ? null : certifiedHours * 60,
    isAnew,
    orders: orders.map((order) => orderOfPlan(order, today)),
    // What somebody wished of a unit that has gone on meanwhile is over.
    wishes: wishes.filter(({ tag }) => free.has(tag)),
    slotWishes: slotWishes.filter(({ tag }) => free.has(tag)),
  };
  const encoder = new TextEncoder();
  const gone = new AbortController();
  request.signal.addEventListener('abort', () => gone.abort());
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const say = (line: object) => {
        if (!gone.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
      };
      const planned = await matchThreads.plan(
        { stock, terms, rules, ways: await readKnownWays(database(), stock, rules), seconds: mostSeconds },
        (progress) => say({ progress }),
        gone.signal,
      );
      if (!planned.ok) say({ refusal: planned.refusal });
      else {
        const { made, ...found } = planned.value;
        const { plan, problem } = found;
        await keepKnownWays(database(), made, now);
        const rows = plan ? planRows(found, plan, stock) : [];
        const buys = plan ? toBuy(problem, plan, rows) : [];
        const names = classNames(problem, stock.models);
        say({ plan: { ...found, rows, toBuy: buys, names, position, at: now.toISOString() } });
      }
      if (!gone.signal.aborted) controller.close();
    },
    cancel: () => gone.abort(),
  });
  return new Response(stream, { headers: { 'content-type': 'application/x-ndjson' } });
});
