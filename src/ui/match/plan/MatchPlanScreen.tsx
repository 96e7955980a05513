'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { PlanRow } from '@/core/matching/planView';
import type { Fate, SlotWish, Wish } from '@/core/matchPlan/problem';
import type { Refusal } from '@/core/shared/outcome';
import type { OrdersView } from '@/services/match/readOrders';
import { Caution } from '@/ui/base/Caution';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useChosen } from '@/ui/keys/useChosen';
import { send } from '@/ui/server/send';
import { clock, money, tenths } from '@/words/format';
import { sayRefusal } from '@/words/say/sentences';
import * as words from '@/words/catalogue/matchPlan';
import { PlanLine } from './PlanLine';
import { PlanSide } from './PlanSide';
import { WhyThis } from './WhyThis';
import { usePlan, type PlanView } from './usePlan';

interface Accepted {
  readonly done: readonly {
    readonly tag: string;
    readonly isDecided: boolean;
    readonly reserved: number;
    readonly isReady: boolean;
  }[];
  readonly refused: readonly { readonly id: string; readonly refusal: Refusal }[];
}

const mostNamed = 8;

/** Who becomes what, and which part goes where: the plan that brings most, unit by unit, with why. */
export function MatchPlanScreen({ mayAccept, orders }: { readonly mayAccept: boolean; readonly orders: OrdersView }) {
  const router = useRouter();
  const [hours, setHours] = useState<number | null>(null);
  const [days, setDays] = useState(7);
  const [wishes, setWishes] = useState<readonly Wish[]>([]);
  const [slotWishes, setSlotWishes] = useState<readonly SlotWish[]>([]);
  const plan = usePlan(useMemo(() => ({ days, hours, wishes, slotWishes }), [days, hours, wishes, slotWishes]));
  const [accepted, setAccepted] = useState<Accepted | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, setBusy] = useState(false);
  const { view } = plan;
  const rows = useMemo(() => view?.rows ?? [], [view]);
  const { chosen, choose } = useChosen(rows.map(({ tag }) => tag));
  const row = rows.find(({ tag }) => tag === chosen);
  const { shown, ...more } = useGrowing(rows, ({ tag }) => tag === chosen);
  const acceptRows = async (some: readonly PlanRow[]) => {
    setBusy(true);
    const outcome = await send<Accepted>('POST', '/api/match-plan/accept', {
      units: some.map(({ id, version, fate, fills }) => ({
        id,
        version,
        fate,
        fills: fills.filter(({ is }) => is === 'lot').map(({ slot, from }) => ({ slot, from })),
      })),
    });
    setBusy(false);
    setRefusal(outcome.ok ? null : outcome.refusal);
    if (!outcome.ok) return;
    setAccepted(outcome.value);
    plan.again();
    router.refresh();
  };
  const customerOf = (id: string) => orders.orders.find((own) => own.id === id)?.customer ?? id;
  const ofFate = (fate: Fate) => rows.filter((own) => own.fate === fate).length;
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 300px', xl: 'minmax(0, 1fr) 336px' }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <Box display="grid" gridTemplateRows="minmax(0, 1fr) auto" minH="0" minW="0">
        <ScrollBox label={words.planOfAll()} p="20px 26px" minH="0">
          <Headline
            lead={view ? sayState(view, plan.isSolving) : words.solving()}
            aside={<KeyButton keyName="Escape" label={words.unitByUnit()} onPress={() => router.push('/match')} />}
          >
            {view?.plan
              ? words.answer({ builds: ofFate('build'), units: rows.length, donors: ofFate('donor') })
              : plan.isSolving
                ? words.seeking()
                : words.noPlan()}
          </Headline>
          <RefusalAlert refusal={plan.refusal ?? refusal} />
          {view && !view.plan && (
            <Caution what={words.nothingKeepsAll()}>
              {view.blocking.length > 0
                ? words.ordersInTheWay({
                    orders: view.blocking.map(({ order, count }) =>
                      words.orderLacks({ order: customerOf(order), count }),
                    ),
                  })
                : words.wishesInTheWay()}
            </Caution>
          )}
          {view?.plan && !plan.isSolving && orders.position > view.position && (
            <Caution tone="waiting" what={words.newsSince()}>
              {words.makeItAgain()}
            </Caution>
          )}
          {plan.changed.length > 0 && !plan.isSolving && (
            <Box role="status" textStyle="note" color="waiting" mb="8px">
              {words.changedSince({ units: plan.changed.length, tags: plan.changed.slice(0, mostNamed) })}
            </Box>
          )}
          {accepted && <AcceptedNote accepted={accepted} />}
          {plan.isSolving && plan.progress && (
            <Box role="status" textStyle="note" color="inkMuted" mb="8px">
              {words.progress({
                gain: money(Math.round(plan.progress.gain)),
                bound: money(Math.round(plan.progress.bound)),
              })}
            </Box>
          )}
          {view?.plan && rows.length === 0 && <Nothing>{words.nothingFree()}</Nothing>}
          <Box as="ul" aria-label={words.units()}>
            {shown.map((own, at) => (
              <PlanLine
                key={own.tag}
                row={own}
                isFirstOfFate={own.fate !== shown[at - 1]?.fate}
                count={ofFate(own.fate)}
                isChosen={own.tag === chosen}
                wishes={wishes.filter(({ tag }) => tag === own.tag)}
                onChoose={() => choose(own.tag)}
              />
            ))}
          </Box>
          <MoreRows {...more} />
        </ScrollBox>
        {view?.plan && row && (
          <WhyThis
            key={`${row.tag} ${view.at}`}
            {...{ view, row, wishes, slotWishes, mayAccept }}
            customer={row.order === null ? null : customerOf(row.order)}
            isBusy={isBusy || plan.isSolving}
            onWish={(wish) =>
              setWishes((before) => [...before.filter(({ tag }) => tag !== row.tag), ...(wish ? [wish] : [])])
            }
            onSlotWish={(wish) => setSlotWishes((before) => [...before, wish])}
            onForget={() => {
              setWishes((before) => before.filter(({ tag }) => tag !== row.tag));
              setSlotWishes((before) => before.filter(({ tag }) => tag !== row.tag));
            }}
            onAccept={() => void acceptRows(rows.filter(({ fate }) => fate !== 'hold'))}
            onAcceptOne={() => void acceptRows([row])}
          />
        )}
      </Box>
      <PlanSide
        view={view}
        {...{ hours, days, orders, mayAccept }}
        isSolving={plan.isSolving}
        wished={wishes.length + slotWishes.length}
        onHours={setHours}
        onDays={setDays}
        onForgetAll={() => {
          setWishes([]);
          setSlotWishes([]);
        }}
        onAgain={plan.again}
        onCancel={plan.cancel}
      />
    </Box>
  );
}

function sayState(view: PlanView, isSolving: boolean): string {
  if (isSolving) return words.solvingAgain();
  const { isProven, boundCents, cents, seconds, at } = view;
  return isProven
    ? words.provenBest({ time: clock(at), seconds: tenths(seconds) })
    : words.notProven({ time: clock(at), gap: money(boundCents - cents) });
}

function AcceptedNote({ accepted: { done, refused } }: { readonly accepted: Accepted }) {
  const reserved = done.reduce((sum, own) => sum + own.reserved, 0);
  return (
    <Box role="status" mb="10px">
      <Box color="sound" fontWeight="600">
        {words.acceptedNow({
          units: done.length,
          decided: done.filter(({ isDecided }) => isDecided).length,
          reserved,
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
