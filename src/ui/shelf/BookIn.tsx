'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useId, useState } from 'react';
import { boughtConditions } from '@/core/entities/entities';
import type { Payloads } from '@/core/shop/facts';
import type { Refusal } from '@/core/shared/outcome';
import type { BuyableModel } from '@/services/shelf/readBuyable';
import { Field } from '@/ui/base/Field';
import { Input, Select } from '@/ui/base/Input';
import { FormDialog } from '@/ui/forms/FormDialog';
import { send } from '@/ui/server/send';
import { readMoney } from '@/words/say/readMoney';
import * as texts from '@/words/catalogue/stock';

interface Answers {
  readonly answers: readonly { readonly ok: boolean; readonly refusal?: Refusal }[];
}

/** So many of a kind are booked in at once; each gets its own label. */
const mostAtOnce = 40;

/** Parts that were bought: which, from whom, for how much and with what warranty. They go to Grade like all others. */
export function BookIn({
  interchange,
  onBooked,
  onClose,
}: {
  /** The class to begin with. */
  readonly interchange: string | undefined;
  readonly onBooked: (count: number) => void;
  readonly onClose: () => void;
}) {
  const [models, setModels] = useState<readonly BuyableModel[] | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, setBusy] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const name = useId();
  useEffect(() => {
    void send<readonly BuyableModel[]>('GET', '/api/shelf/buyable').then((outcome) =>
      outcome.ok ? setModels(outcome.value) : setRefusal(outcome.refusal),
    );
  }, []);
  const all = (models ?? []).flatMap((model) => model.parts.map((part) => ({ model, part })));
  const keyOf = ({ model, part }: (typeof all)[number]) => `${model.modelId}/${part.partRef}`;
  const first = all.find(({ part }) => part.interchange === interchange) ?? all[0];
  const own = all.find((one) => keyOf(one) === chosen) ?? first;
  // Once for this dialog: what is sent again after a lost answer is the same parts.
  const [ids] = useState(() => Array.from({ length: mostAtOnce }, () => [crypto.randomUUID(), crypto.randomUUID()]));
  const book = async (given: (field: string) => string) => {
    const wrong = (field: string, says: string) => setRefusal({ reason: 'bad-input', values: { field, says } });
    const cents = readMoney(given('price'));
    const count = Number(given('count'));
    if (!own) return;
    if (cents === undefined) return wrong(texts.priceEach(), texts.anAmount());
    if (!Number.isInteger(count) || count < 1 || count > mostAtOnce)
      return wrong(texts.howMany(), texts.wholeUpTo({ most: mostAtOnce }));
    if (given('supplier') === '') return wrong(texts.fromWhom(), texts.aName());
    const { model, part } = own;
    const payload: Payloads['part-bought'] = {
      modelId: model.modelId,
      modelVersion: model.modelVersion,
      partRef: part.partRef,
      condition: boughtConditions.find((condition) => condition === given('condition')) ?? 'used',
      supplier: given('supplier'),
      cents,
      warrantyUntil: given('warranty') || null,
      isWhole: given('whole') === 'yes',
    };
    const at = new Date().toISOString();
    const facts = ids
      .slice(0, count)
      .map(([id, subjectId]) => ({ id, subjectId, type: 'part-bought', expects: null, at, payload }));
    setBusy(true);
    const outcome = await send<Answers>('POST', '/api/facts', { facts, sentAt: at });
    setBusy(false);
    const refused = outcome.ok ? outcome.value.answers.find((answer) => !answer.ok)?.refusal : outcome.refusal;
    if (refused) return setRefusal(refused);
    return onBooked(count);
  };
  return (
    <FormDialog
      title={texts.bookInTitle()}
      refusal={refusal}
      action={texts.bookIn()}
      isEnabled={own !== undefined && !isBusy}
      note={
        <Box id={name} textStyle="note" color="inkMuted" mt="10px">
          {texts.goesToGrade()}
        </Box>
      }
      onGiven={(written) => void book(written)}
      onClose={onClose}
    >
      <Field label={texts.whichPart()} isWide>
        <Select
          w="100%"
          name="part"
          autoFocus
          value={own ? keyOf(own) : ''}
          onChange={({ currentTarget: { value } }) => setChosen(value)}
        >
          {(models ?? []).map((model) => (
            <optgroup key={model.modelId} label={model.name}>
              {model.parts.map((part) => (
                <option key={part.partRef} value={`${model.modelId}/${part.partRef}`}>
                  {part.name} · {model.name}
                </option>
              ))}
            </optgroup>
          ))}
        </Select>
      </Field>
      <Field label={texts.howMany()}>
        <Input w="100%" name="count" inputMode="numeric" autoComplete="off" defaultValue="1" />
      </Field>
      <Field label={texts.priceEach()}>
        <Input w="100%" name="price" inputMode="decimal" autoComplete="off" />
      </Field>
      <Field label={texts.fromWhom()} isWide>
        <Input w="100%" name="supplier" maxLength={80} />
      </Field>
      <Field label={texts.condition()}>
        <Select w="100%" name="condition">
          {boughtConditions.map((condition) => (
            <option key={condition} value={condition}>
              {texts.conditionIs({ condition })}
            </option>
          ))}
        </Select>
      </Field>
      <Field label={texts.warrantyUntil()}>
        <Input w="100%" name="warranty" type="date" />
      </Field>
      {own?.part.isAssembly && (
        <Field label={texts.whatIsOnIt()} isWide>
          <Select w="100%" name="whole" aria-describedby={name}>
            <option value="no">{texts.comesBare()}</option>
            <option value="yes">{texts.comesWhole()}</option>
          </Select>
        </Field>
      )}
    </FormDialog>
  );
}
