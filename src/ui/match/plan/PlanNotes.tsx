'use client';
import { Box } from '@chakra-ui/react';
import type { OrdersView } from '@/services/match/readOrders';
import { Caution } from '@/ui/base/Caution';
import { money } from '@/words/format';
import { sayRefusal } from '@/words/say/sentences';
import * as words from '@/words/catalogue/matchPlan';
import { sayWanted } from './sayWanted';
import type { Accepted } from './useAccept';
import type { PlanNow, PlanView } from './usePlan';

const mostNamed = 8;
const mostLapsed = 3;

/** What has to be known before a plan is accepted: why there is none, what is new, what no longer holds, what it keeps to. */
export function PlanNotes({
  plan: { view, isSolving, changed, progress },
  orders,
  isAnew,
  customerOf,
}: {
  readonly plan: PlanNow;
  readonly orders: OrdersView;
  readonly isAnew: boolean;
  readonly customerOf: (order: string) => string;
}) {
  return (
    <>
      {view && !view.plan && (
        <Caution what={words.nothingKeepsAll()}>
          {view.blocking.length > 0
            ? words.ordersInTheWay({
                orders: view.blocking.map(({ order, count }) => words.orderLacks({ order: customerOf(order), count })),
                helps: view.helps.map((wanted) => sayWanted(wanted, view.names)),
                canHelp: view.helps.length > 0 ? 'yes' : 'no',
              })
            : view.isImpossible
              ? words.wishesInTheWay()
              : words.outOfTime()}
        </Caution>
      )}
      {view?.plan && !isSolving && orders.position > view.position && (
        <Caution tone="waiting" what={words.newsSince()}>
          {words.makeItAgain()}
        </Caution>
      )}
      {view && <Lapsed view={view} />}
      {changed.length > 0 && !isSolving && (
        <Box role="status" textStyle="note" color="waiting" mb="8px">
          {words.changedSince({ units: changed.length, tags: changed.slice(0, mostNamed) })}
        </Box>
      )}
      {view?.plan && !isSolving && <Kept view={view} isAnew={isAnew} />}
      {isSolving && progress && (
        <Box role="status" textStyle="note" color="inkMuted" mb="8px">
          {'kinds' in progress
            ? words.lookedAt(progress)
            : words.progress({ gain: money(Math.round(progress.gain)), bound: money(Math.round(progress.bound)) })}
        </Box>
      )}
    </>
  );
}

function Lapsed({ view: { lapsed } }: { readonly view: PlanView }) {
  if (lapsed.length === 0) return null;
  return (
    <Caution tone="waiting" what={words.noLongerHolds()}>
      <ul>
        {lapsed.slice(0, mostLapsed).map(({ from, part, for: tag, because }) => (
          <li key={`${from} ${part}`}>
            {part === null
              ? words.lapsedPart({ from, for: tag, because: because.replace('-', '_') })
              : words.lapsedPromise({ from, part, for: tag, because: because.replace('-', '_') })}
          </li>
        ))}
        {lapsed.length > mostLapsed && <li>{words.moreLapsed({ count: lapsed.length - mostLapsed })}</li>}
      </ul>
    </Caution>
  );
}

/** A plan that keeps to what was accepted says what that costs. */
function Kept({ view: { anewCents, cents }, isAnew }: { readonly view: PlanView; readonly isAnew: boolean }) {
  if (!isAnew && anewCents === null) return null;
  const more = (anewCents ?? 0) - cents;
  return (
    <Box textStyle="note" color="inkMuted" mb="8px">
      {isAnew ? words.heedsNothing() : more > 0 ? words.keepsAccepted({ more: money(more) }) : words.keepsAll()}
    </Box>
  );
}

export function AcceptedNote({ accepted: { done, refused } }: { readonly accepted: Accepted }) {
  const sum = (of: (own: Accepted['done'][number]) => number) => done.reduce((total, own) => total + of(own), 0);
  return (
    <Box role="status" mb="10px">
      <Box color="sound" fontWeight="600">
        {words.acceptedNow({
          units: done.length,
          decided: done.filter(({ isDecided }) => isDecided).length,
          reserved: sum(({ reserved }) => reserved),
          promised: sum(({ promised }) => promised),
          ready: done.filter(({ isReady }) => isReady).length,
        })}
      </Box>
      {refused.map(({ id, refusal }) => (
        <Box key={id} color="danger">
          {sayRefusal(refusal)}
        </Box>
      ))}
    </Box>
  );
}
