'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { PurchaseOffer } from '@/core/matching/offers';
import { saleGrades } from '@/core/shared/grades';
import type { Refusal } from '@/core/shared/outcome';
import { Button } from '@/ui/base/Button';
import { Field } from '@/ui/base/Field';
import { Input, Select } from '@/ui/base/Input';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { FormDialog } from '@/ui/forms/FormDialog';
import { send } from '@/ui/server/send';
import { money } from '@/words/format';
import { readMoney } from '@/words/say/readMoney';
import * as texts from '@/words/catalogue/stock';

/** Offers for a class of parts: the plan buys by them. */
export function WhereToBuy({
  interchange,
  name,
  offers,
  mayChange,
}: {
  readonly interchange: string;
  readonly name: string;
  readonly offers: readonly PurchaseOffer[];
  readonly mayChange: boolean;
}) {
  const router = useRouter();
  const [isNoting, setNoting] = useState(false);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const end = async (id: string) => {
    const outcome = await send('DELETE', `/api/offers/${id}`);
    setRefusal(outcome.ok ? null : outcome.refusal);
    router.refresh();
  };
  return (
    <Section title={texts.whereToBuy()} mt="6px">
      <RefusalAlert refusal={refusal} />
      {offers.length === 0 && (
        <Box textStyle="note" color="inkMuted" pt="6px">
          {texts.noOffer()}
        </Box>
      )}
      <Box as="ul">
        {offers.map(({ id, supplier, grade, cents, leadDays, warrantyDays, most }) => (
          <Row key={id} minH="48px">
            <Box flex="1" minW="0">
              {supplier}
              <Box as="span" display="block" textStyle="caption" color="inkMuted">
                {texts.offerSays({
                  grade,
                  days: leadDays,
                  warranty: warrantyDays,
                  most: most ?? 0,
                  hasMost: most === null ? 'no' : 'yes',
                })}
              </Box>
            </Box>
            <Box fontFamily="mono" fontWeight="700">
              {money(cents)}
            </Box>
            {mayChange && (
              <Button size="small" aria-label={texts.endOfferOf({ supplier })} onClick={() => void end(id)}>
                {texts.endOffer()}
              </Button>
            )}
          </Row>
        ))}
      </Box>
      {mayChange && (
        <Box pt="8px">
          <KeyButton keyName="q" label={texts.noteOffer()} size="small" onPress={() => setNoting(true)} />
        </Box>
      )}
      {isNoting && (
        <NoteOffer
          {...{ interchange, name }}
          onClose={() => setNoting(false)}
          onNoted={() => {
            setNoting(false);
            router.refresh();
          }}
        />
      )}
    </Section>
  );
}

function NoteOffer({
  interchange,
  name,
  onNoted,
  onClose,
}: {
  readonly interchange: string;
  readonly name: string;
  readonly onNoted: () => void;
  readonly onClose: () => void;
}) {
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, setBusy] = useState(false);
  const [id] = useState(() => crypto.randomUUID());
  const note = async (given: (field: string) => string) => {
    const wrong = (field: string, says: string) => setRefusal({ reason: 'bad-input', values: { field, says } });
    const cents = readMoney(given('price'));
    const whole = (field: string, empty: number) => (given(field) === '' ? empty : Number(given(field)));
    const [leadDays, warrantyDays, most] = [whole('lead', 4), whole('warranty', 0), whole('most', 0)];
    if (given('supplier') === '') return wrong(texts.fromWhom(), texts.aName());
    if (cents === undefined || cents < 1) return wrong(texts.priceEach(), texts.anAmount());
    if (![leadDays, warrantyDays, most].every((own) => Number.isInteger(own) && own >= 0))
      return wrong(texts.daysAndNumber(), texts.wholeNumber());
    setBusy(true);
    const outcome = await send('POST', '/api/offers', {
      id,
      interchange,
      supplier: given('supplier'),
      grade: saleGrades.find((grade) => grade === given('grade')) ?? 'B',
      cents,
      most: most === 0 ? null : most,
      leadDays,
      warrantyDays,
    } satisfies PurchaseOffer);
    setBusy(false);
    if (!outcome.ok) return setRefusal(outcome.refusal);
    return onNoted();
  };
  return (
    <FormDialog
      title={texts.offerFor({ name })}
      refusal={refusal}
      action={texts.noteIt()}
      isEnabled={!isBusy}
      onGiven={(written) => void note(written)}
      onClose={onClose}
    >
      <Field label={texts.fromWhom()} isWide>
        <Input w="100%" name="supplier" maxLength={80} autoFocus />
      </Field>
      <Field label={texts.priceEach()}>
        <Input w="100%" name="price" inputMode="decimal" autoComplete="off" />
      </Field>
      <Field label={texts.gradeOfIt()}>
        <Select w="100%" name="grade" defaultValue="B">
          {saleGrades.map((grade) => (
            <option key={grade}>{grade}</option>
          ))}
        </Select>
      </Field>
      <Field label={texts.leadDays()}>
        <Input w="100%" name="lead" inputMode="numeric" autoComplete="off" defaultValue="4" />
      </Field>
      <Field label={texts.warrantyDays()}>
        <Input w="100%" name="warranty" inputMode="numeric" autoComplete="off" placeholder={texts.none()} />
      </Field>
      <Field label={texts.mostOfIt()}>
        <Input w="100%" name="most" inputMode="numeric" autoComplete="off" placeholder={texts.noEnd()} />
      </Field>
    </FormDialog>
  );
}
