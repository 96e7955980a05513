'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { hands } from '@/core/matching/waysToBuild';
import type { PlanRow } from '@/core/matching/planView';
import type { OrdersView } from '@/services/match/readOrders';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { KeyButton } from '@/ui/keys/KeyButton';
import { minutes as sayMinutes, money } from '@/words/format';
import { readNumber, writeNumber } from '@/words/say/readNumber';
import * as words from '@/words/catalogue/matchPlan';
import { Donors, OneMoreOf } from './Beside';
import { Orders } from './Orders';
import type { PlanView } from './usePlan';

/** What a plan brings against others, how much work it is, what one more hour would bring, and what is to be bought. */
export function PlanSide({
  view,
  rows,
  hours,
  certifiedHours,
  days,
  isAnew,
  orders,
  mayAccept,
  isSolving,
  wished,
  onHours,
  onCertifiedHours,
  onDays,
  onAnew,
  onForgetAll,
  onAgain,
  onCancel,
  onChoose,
}: {
  readonly view: PlanView | null;
  readonly rows: readonly PlanRow[];
  readonly hours: number | null;
  readonly certifiedHours: number | null;
  readonly days: number;
  readonly isAnew: boolean;
  readonly orders: OrdersView;
  readonly mayAccept: boolean;
  readonly isSolving: boolean;
  readonly wished: number;
  readonly onHours: (hours: number | null) => void;
  readonly onCertifiedHours: (hours: number | null) => void;
  readonly onDays: (days: number) => void;
  readonly onAnew: (isAnew: boolean) => void;
  readonly onForgetAll: () => void;
  readonly onAgain: () => void;
  readonly onCancel: () => void;
  readonly onChoose: (tag: string) => void;
}) {
  return (
    <SidePanel minH="0" overflowY="auto">
      {view?.plan && <Money view={view} />}
      <Section title={words.work()} note={view?.plan ? sayMinutes(view.minutes[hands] ?? 0) : undefined}>
        <Box
          display="grid"
          gridTemplateColumns="repeat(auto-fit, minmax(80px, 1fr))"
          gap="10px"
          alignItems="end"
          pt="10px"
        >
          <NumberField
            label={words.hoursThere()}
            value={hours}
            most={10_000}
            placeholder={words.enough()}
            onValue={onHours}
          />
          <NumberField
            label={words.certifiedThere()}
            value={certifiedHours}
            most={10_000}
            placeholder={words.enough()}
            onValue={onCertifiedHours}
          />
          <NumberField
            label={words.daysAhead()}
            value={days}
            most={60}
            placeholder=""
            onValue={(read) => onDays(read ?? 7)}
          />
        </Box>
        {view?.hourCents != null && (
          <Box textStyle="note" color="inkMuted" pt="8px">
            {words.oneMoreHour({ worth: money(view.hourCents), pays: view.hourCents > 0 ? 'yes' : 'no' })}
          </Box>
        )}
      </Section>
      {view?.plan && <Donors rows={rows} onChoose={onChoose} />}
      {view?.plan && rows.length > 0 && <OneMoreOf view={view} />}
      <Orders of={orders} view={view} mayChange={mayAccept} onChanged={onAgain} />
      {view && view.toBuy.length > 0 && (
        <Section
          title={words.toBuy()}
          note={money(view.toBuy.reduce((sum, { count, eachCents }) => sum + count * eachCents, 0))}
        >
          <Box as="ul">
            {view.toBuy.map(({ of, name, count, eachCents, leadDays }) => (
              <Row key={of} minH="44px">
                <Box flex="1" minW="0">
                  {name}
                  <Box as="span" display="block" textStyle="caption" color="inkMuted">
                    {words.buyLine({ count, each: money(eachCents), days: leadDays })}
                  </Box>
                </Box>
                <Box fontFamily="mono" fontWeight="700">
                  {money(count * eachCents)}
                </Box>
              </Row>
            ))}
          </Box>
        </Section>
      )}
      <Box mt="auto" display="grid" gap="10px">
        {wished > 0 && (
          <KeyButton keyName="f" label={words.forgetWishes({ wished })} size="small" onPress={onForgetAll} />
        )}
        {(isAnew || (view?.anewCents ?? null) !== null) && (
          <KeyButton
            keyName="k"
            label={isAnew ? words.keepAccepted() : words.makeAnew()}
            size="small"
            onPress={() => onAnew(!isAnew)}
          />
        )}
        {view && <KeyButton keyName="d" label={words.saveProblem()} size="small" onPress={() => saveProblem(view)} />}
        {isSolving ? (
          <KeyButton keyName="c" label={words.stopSeeking()} size="small" onPress={onCancel} />
        ) : (
          <KeyButton keyName="n" label={words.planAgain()} size="small" onPress={onAgain} />
        )}
      </Box>
    </SidePanel>
  );
}

function Money({ view }: { readonly view: PlanView }) {
  const lines = [
    [words.thisPlan(), view.cents, 'action'],
    [words.carefulHand(), view.unitByUnitCents, 'twine'],
    [words.withoutDonors(), view.noDonorsCents, 'twine'],
  ] as const;
  const most = Math.max(1, ...lines.map(([, cents]) => cents));
  return (
    <Section title={words.moneyHeading()} note={words.afterWork()}>
      <Box as="ul" pt="8px" display="grid" gap="8px">
        {lines.map(([label, cents, color]) => (
          <li key={label}>
            <Box display="flex" justifyContent="space-between" gap="10px">
              <span>{label}</span>
              <Box as="strong" fontFamily="mono">
                {money(cents)}
              </Box>
            </Box>
            <Box h="7px" mt="3px" bg={color} w={`${Math.max(0, (100 * cents) / most)}%`} aria-hidden />
          </li>
        ))}
      </Box>
    </Section>
  );
}

/** A number that counts when the field is left, or at Enter; empty is none. */
function NumberField({
  label,
  value,
  most,
  placeholder,
  onValue,
}: {
  readonly label: string;
  readonly value: number | null;
  readonly most: number;
  readonly placeholder: string;
  readonly onValue: (value: number | null) => void;
}) {
  const [typed, setTyped] = useState(value === null ? '' : writeNumber(value));
  const read = typed.trim() === '' ? null : readNumber(typed);
  const isWrong = read === undefined || (read !== null && !(read > 0 && read <= most));
  const take = () => {
    if (!isWrong && read !== value) onValue(read ?? null);
  };
  return (
    <Field label={label}>
      <Input
        w="100%"
        inputMode="decimal"
        autoComplete="off"
        placeholder={placeholder}
        aria-invalid={isWrong || undefined}
        value={typed}
        onChange={({ currentTarget }) => setTyped(currentTarget.value)}
        onBlur={take}
        onKeyDown={({ key, currentTarget }) => {
          if (key === 'Enter') currentTarget.blur();
        }}
      />
    </Field>
  );
}

/** The problem as a file, so that anybody can solve it again: docs/formats/match-plan.md. */
function saveProblem({ problem, at }: PlanView): void {
  const url = URL.createObjectURL(new Blob([JSON.stringify(problem, null, 1)], { type: 'application/json' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `match-problem-${at.slice(0, 16).replace(':', '')}.json`;
  link.click();
  URL.revokeObjectURL(url);
}
