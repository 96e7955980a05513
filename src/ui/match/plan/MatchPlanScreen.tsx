'use client';
import { Box } from '@chakra-ui/react';
import { DndContext, PointerSensor, pointerWithin, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import { planGroups } from '@/core/matching/planGroups';
import type { Fate, SlotWish, Wish } from '@/core/matchPlan/problem';
import type { OrdersView } from '@/services/match/readOrders';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { useMedia } from '@/ui/base/useMedia';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useChosen } from '@/ui/keys/useChosen';
import { clock, money, tenths } from '@/words/format';
import * as words from '@/words/catalogue/matchPlan';
import type { Choice } from './choice';
import { wishOfDrop, type Dropped } from './dragging';
import { AcceptedNote, PlanNotes } from './PlanNotes';
import { PlanSide } from './PlanSide';
import { PlanTable } from './PlanTable';
import { useAccept, withDonors } from './useAccept';
import { usePlan, type PlanView } from './usePlan';
import { WhyThis } from './WhyThis';

/** Slots that there is room for beside each other, in a wide window and in a narrow one. */
const mostColumns = { wide: 7, narrow: 5 } as const;
const wideFrom = '(min-width: 1180px)';
/** A press that moves less is no drag. */
const dragPx = 6;
/** Everything that is dragged can be done by keys, which say so themselves. */
const quietDrags = {
  screenReaderInstructions: { draggable: '' },
  announcements: {
    onDragStart: () => undefined,
    onDragOver: () => undefined,
    onDragEnd: () => undefined,
    onDragCancel: () => undefined,
  },
};

/** Who becomes what, and which part goes where: the plan that brings most, unit by unit, with why. */
export function MatchPlanScreen({ mayAccept, orders }: { readonly mayAccept: boolean; readonly orders: OrdersView }) {
  const router = useRouter();
  const [hours, setHours] = useState<number | null>(null);
  const [certifiedHours, setCertifiedHours] = useState<number | null>(null);
  const [days, setDays] = useState(7);
  const [isAnew, setAnew] = useState(false);
  const [wishes, setWishes] = useState<readonly Wish[]>([]);
  const [slotWishes, setSlotWishes] = useState<readonly SlotWish[]>([]);
  const plan = usePlan(
    useMemo(
      () => ({ days, hours, certifiedHours, isAnew, wishes, slotWishes }),
      [days, hours, certifiedHours, isAnew, wishes, slotWishes],
    ),
  );
  const { accepted, refusal, isBusy, accept } = useAccept(() => {
    plan.again();
    router.refresh();
  });
  const [isMisfit, setMisfit] = useState(false);
  const { view } = plan;
  const isWide = useMedia(wideFrom, true);
  const groups = useMemo(
    () => planGroups(view?.rows ?? [], isWide ? mostColumns.wide : mostColumns.narrow),
    [view, isWide],
  );
  const rows = useMemo(() => groups.flatMap((group) => group.rows), [groups]);
  const { chosen, choose } = useChosen(rows.map(({ tag }) => tag));
  const [slotOf, setSlotOf] = useState<Choice | null>(null);
  const row = rows.find(({ tag }) => tag === chosen);
  const slot = slotOf && slotOf.tag === chosen ? slotOf.slot : null;
  const onChoose = (choice: Choice) => {
    choose(choice.tag);
    setSlotOf(choice);
  };
  const wish = (own: Wish) => setWishes((before) => [...before.filter(({ tag }) => tag !== own.tag), own]);
  const wishSlot = (own: SlotWish) =>
    setSlotWishes((before) => [...before.filter(({ tag, slot: at }) => tag !== own.tag || at !== own.slot), own]);
  const forget = (gone: string) => {
    setWishes((before) => before.filter(({ tag }) => tag !== gone));
    setSlotWishes((before) => before.filter(({ tag }) => tag !== gone));
  };
  const take = (wished: Dropped) => {
    setMisfit(wished?.is === 'misfit');
    if (wished?.is === 'wish') wish(wished.wish);
    if (wished?.is === 'slot-wish') wishSlot(wished.wish);
  };
  const onDrop = ({ active, over }: DragEndEvent) =>
    take(view && over ? wishOfDrop(rows, view.problem, String(active.id), String(over.id)) : null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: dragPx } }));
  const scroller = useRef<HTMLDivElement>(null);
  const customerOf = (id: string) => orders.orders.find((own) => own.id === id)?.customer ?? id;
  const ofFate = (fate: Fate) => rows.filter((own) => own.fate === fate).length;
  return (
    <DndContext
      id="match-plan"
      collisionDetection={pointerWithin}
      sensors={sensors}
      onDragEnd={onDrop}
      accessibility={quietDrags}
    >
      <Box
        display="grid"
        gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 290px', xl: 'minmax(0, 1fr) 316px' }}
        h={{ lg: 'calc(100vh - 84px)' }}
      >
        <Box display="grid" gridTemplateRows="minmax(0, 1fr) auto" minH="0" minW="0">
          <ScrollBox
            ref={scroller}
            label={words.planOfAll()}
            p={{ base: '16px', md: '18px 22px' }}
            minH={{ base: '60vh', lg: '0' }}
            position="relative"
          >
            <Box>
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
              <PlanNotes {...{ plan, orders, isAnew, customerOf }} />
              {accepted && <AcceptedNote accepted={accepted} />}
              {isMisfit && (
                <Box role="status" color="waiting" mb="8px">
                  {words.doesNotFit()}
                </Box>
              )}
              {view?.plan && rows.length === 0 && <Nothing>{words.nothingFree()}</Nothing>}
            </Box>
            <PlanTable
              {...{ groups, scroller, wishes, slotWishes, onChoose }}
              choice={chosen === undefined ? undefined : { tag: chosen, slot }}
            />
            {rows.length > 0 && (
              <Box textStyle="caption" color="inkMuted" mt="8px">
                {words.legend()}
              </Box>
            )}
          </ScrollBox>
          {view?.plan && row && (
            <WhyThis
              key={`${row.tag} ${view.at}`}
              columns={groups.find(({ modelId }) => modelId === row.modelId)?.columns ?? []}
              {...{ view, row, slot, wishes, slotWishes, mayAccept, onChoose }}
              customer={row.order === null ? null : customerOf(row.order)}
              isBusy={isBusy || plan.isSolving}
              onWished={take}
              onForget={() => forget(row.tag)}
              onAccept={() => accept(rows)}
              onAcceptOne={() => accept(withDonors(rows, row))}
            />
          )}
        </Box>
        <PlanSide
          view={view}
          {...{ hours, certifiedHours, days, isAnew, orders, mayAccept, rows }}
          isSolving={plan.isSolving}
          wished={wishes.length + slotWishes.length}
          onHours={setHours}
          onCertifiedHours={setCertifiedHours}
          onDays={setDays}
          onAnew={setAnew}
          onForgetAll={() => {
            setWishes([]);
            setSlotWishes([]);
          }}
          onAgain={plan.again}
          onCancel={plan.cancel}
          onChoose={(tag) => onChoose({ tag, slot: null })}
        />
      </Box>
    </DndContext>
  );
}

function sayState(view: PlanView, isSolving: boolean): string {
  if (isSolving) return words.solvingAgain();
  const { isProven, boundCents, cents, seconds, at } = view;
  return isProven
    ? words.provenBest({ time: clock(at), seconds: tenths(Math.max(0.1, seconds)) })
    : words.notProven({ time: clock(at), gap: money(boundCents - cents) });
}
