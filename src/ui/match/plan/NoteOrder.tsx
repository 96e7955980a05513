'use client';
import { useState } from 'react';
import type { CustomerOrder } from '@/core/matching/orders';
import { saleGrades } from '@/core/shared/grades';
import type { Refusal } from '@/core/shared/outcome';
import type { Sellable } from '@/services/match/readOrders';
import { Field } from '@/ui/base/Field';
import { Input, Select } from '@/ui/base/Input';
import { FormDialog } from '@/ui/forms/FormDialog';
import { send } from '@/ui/server/send';
import { readMoney } from '@/words/say/readMoney';
import * as words from '@/words/catalogue/matchPlan';

/** An order: what, how many, how good, by when, what it brings more, and what it costs not to meet it. */
export function NoteOrder({
  sellable,
  onNoted,
  onClose,
}: {
  readonly sellable: readonly Sellable[];
  readonly onNoted: () => void;
  readonly onClose: () => void;
}) {
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, setBusy] = useState(false);
  // One for this dialog: what is sent again after a lost answer is the same order.
  const [id] = useState(() => crypto.randomUUID());
  const note = async (given: (field: string) => string) => {
    const wrong = (field: string, says: string) => setRefusal({ reason: 'bad-input', values: { field, says } });
    const of = sellable[Number(given('of'))];
    const count = Number(given('count'));
    const cents = (field: string) => (given(field) === '' ? 0 : readMoney(given(field)));
    const [extraCents, missCents] = [cents('extra'), cents('miss')];
    if (!of) return;
    if (given('customer') === '') return wrong(words.customer(), words.aCustomer());
    if (!Number.isInteger(count) || count < 1 || count > 1000) return wrong(words.orderCount(), words.aCount());
    if (extraCents === undefined || missCents === undefined) return wrong(words.orderMoney(), words.anAmount());
    const order: CustomerOrder = {
      id,
      customer: given('customer'),
      modelId: of.modelId,
      variant: of.variant,
      atLeast: saleGrades.find((grade) => grade === given('grade')) ?? 'B',
      count,
      dueOn: given('due') || null,
      extraCents,
      missCents,
      isFirm: given('firm') === 'yes',
    };
    setBusy(true);
    const outcome = await send('POST', '/api/orders', order);
    setBusy(false);
    if (!outcome.ok) return setRefusal(outcome.refusal);
    return onNoted();
  };
  return (
    <FormDialog
      title={words.noteOrder()}
      refusal={refusal}
      action={words.noteIt()}
      isEnabled={!isBusy && sellable.length > 0}
      onGiven={(written) => void note(written)}
      onClose={onClose}
    >
      <Field label={words.customer()} isWide>
        <Input w="100%" name="customer" maxLength={80} autoFocus />
      </Field>
      <Field label={words.ordered()} isWide>
        <Select w="100%" name="of">
          {sellable.map(({ modelId, variant, name }, at) => (
            <option key={`${modelId}/${variant}`} value={at}>
              {name}
            </option>
          ))}
        </Select>
      </Field>
      <Field label={words.orderCount()}>
        <Input w="100%" name="count" inputMode="numeric" autoComplete="off" defaultValue="1" />
      </Field>
      <Field label={words.gradeOrBetter()}>
        <Select w="100%" name="grade" defaultValue="B">
          {saleGrades.map((grade) => (
            <option key={grade}>{grade}</option>
          ))}
        </Select>
      </Field>
      <Field label={words.dueOn()}>
        <Input w="100%" name="due" type="date" />
      </Field>
      <Field label={words.mustBeMet()}>
        <Select w="100%" name="firm">
          <option value="no">{words.mayLack()}</option>
          <option value="yes">{words.isFirm()}</option>
        </Select>
      </Field>
      <Field label={words.extraEach()}>
        <Input w="100%" name="extra" inputMode="decimal" autoComplete="off" />
      </Field>
      <Field label={words.missEach()}>
        <Input w="100%" name="miss" inputMode="decimal" autoComplete="off" />
      </Field>
    </FormDialog>
  );
}
