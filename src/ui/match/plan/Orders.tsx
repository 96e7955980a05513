'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CustomerOrder } from '@/core/matching/orders';
import type { Refusal } from '@/core/shared/outcome';
import type { OrdersView } from '@/services/match/readOrders';
import { Button } from '@/ui/base/Button';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { send } from '@/ui/server/send';
import { day } from '@/words/format';
import * as words from '@/words/catalogue/matchPlan';
import { NoteOrder } from './NoteOrder';
import type { PlanView } from './usePlan';

/** What was ordered, and how far the plan meets it. */
export function Orders({
  of: { orders, sellable },
  view,
  mayChange,
  onChanged,
}: {
  readonly of: OrdersView;
  readonly view: PlanView | null;
  readonly mayChange: boolean;
  readonly onChanged: () => void;
}) {
  const router = useRouter();
  const [isNoting, setNoting] = useState(false);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const changed = () => {
    router.refresh();
    onChanged();
  };
  const close = async (id: string) => {
    const outcome = await send('DELETE', `/api/orders/${id}`);
    setRefusal(outcome.ok ? null : outcome.refusal);
    changed();
  };
  const nameOf = ({ modelId, variant }: CustomerOrder) =>
    sellable.find((own) => own.modelId === modelId && own.variant === variant)?.name ?? modelId;
  return (
    <Section title={words.orders()} note={words.ordersOpen({ orders: orders.length })}>
      <RefusalAlert refusal={refusal} />
      <Box as="ul">
        {orders.map((order) => {
          const lacks = view?.plan?.missing.find((own) => own.order === order.id)?.count ?? 0;
          // One that was noted since the plan was made is not in it.
          const isIn = view?.problem.orders.some(({ id }) => id === order.id) ?? false;
          return (
            <Row key={order.id} minH="52px">
              <Box flex="1" minW="0">
                {words.orderLine({ count: order.count, name: nameOf(order), grade: order.atLeast })}
                <Box as="span" display="block" textStyle="caption" color="inkMuted">
                  {words.orderFor({
                    customer: order.customer,
                    due: order.dueOn === null ? '' : day(order.dueOn),
                    hasDue: order.dueOn === null ? 'no' : 'yes',
                    isFirm: order.isFirm ? 'yes' : 'no',
                  })}
                </Box>
              </Box>
              {view?.plan && isIn && (
                <Box color={lacks > 0 ? 'danger' : 'sound'} fontWeight="600" whiteSpace="nowrap">
                  {words.orderMet({ lacks })}
                </Box>
              )}
              {mayChange && (
                <Button
                  size="small"
                  aria-label={words.closeOrderOf({ customer: order.customer })}
                  onClick={() => void close(order.id)}
                >
                  {words.closeOrder()}
                </Button>
              )}
            </Row>
          );
        })}
      </Box>
      {mayChange && (
        <Box pt="10px">
          <KeyButton keyName="o" label={words.noteOrder()} size="small" onPress={() => setNoting(true)} />
        </Box>
      )}
      {isNoting && (
        <NoteOrder
          sellable={sellable}
          onClose={() => setNoting(false)}
          onNoted={() => {
            setNoting(false);
            changed();
          }}
        />
      )}
    </Section>
  );
}
