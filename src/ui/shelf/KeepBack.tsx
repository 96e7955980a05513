'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Reserve } from '@/core/matchPlan/problem';
import { saleGrades } from '@/core/shared/grades';
import type { Refusal } from '@/core/shared/outcome';
import { Field } from '@/ui/base/Field';
import { Input, Select } from '@/ui/base/Input';
import { Section } from '@/ui/base/Section';
import { FormDialog } from '@/ui/forms/FormDialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { send } from '@/ui/server/send';
import * as texts from '@/words/catalogue/stock';

const most = 100_000;

/** How many of a class stay on the shelf whatever a plan could make of them: for what comes back, or for who walks in. */
export function KeepBack({
  interchange,
  name,
  reserve,
  mayChange,
}: {
  readonly interchange: string;
  readonly name: string;
  readonly reserve: Reserve | null;
  readonly mayChange: boolean;
}) {
  const router = useRouter();
  const [isAsking, setAsking] = useState(false);
  const [isBusy, setBusy] = useState(false);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const keep = async (given: (field: string) => string) => {
    const count = given('count') === '' ? 0 : Number(given('count'));
    if (!Number.isInteger(count) || count < 0 || count > most)
      return setRefusal({
        reason: 'bad-input',
        values: { field: texts.howManyStay(), says: texts.wholeUpTo({ most }) },
      });
    const atLeast = saleGrades.find((grade) => grade === given('grade')) ?? 'D';
    setBusy(true);
    const outcome = await send('PUT', '/api/reserves', { of: interchange, atLeast, count } satisfies Reserve);
    setBusy(false);
    if (!outcome.ok) return setRefusal(outcome.refusal);
    setRefusal(null);
    setAsking(false);
    return router.refresh();
  };
  return (
    <Section title={texts.staysHere()} mt="6px">
      <Box textStyle="note" color="inkMuted" pt="6px">
        {reserve ? texts.staysSays({ count: reserve.count, grade: reserve.atLeast }) : texts.nothingStays()}
      </Box>
      {mayChange && (
        <Box pt="8px">
          <KeyButton keyName="h" label={texts.keepSome()} size="small" onPress={() => setAsking(true)} />
        </Box>
      )}
      {isAsking && (
        <FormDialog
          title={texts.keepOf({ name })}
          refusal={refusal}
          action={texts.keepThem()}
          isEnabled={!isBusy}
          onGiven={(written) => void keep(written)}
          onClose={() => setAsking(false)}
        >
          <Field label={texts.howManyStay()}>
            <Input
              w="100%"
              name="count"
              inputMode="numeric"
              autoComplete="off"
              autoFocus
              defaultValue={reserve?.count ?? ''}
            />
          </Field>
          <Field label={texts.ofGradeOrBetter()}>
            <Select w="100%" name="grade" defaultValue={reserve?.atLeast ?? 'B'}>
              {saleGrades.map((grade) => (
                <option key={grade}>{grade}</option>
              ))}
            </Select>
          </Field>
        </FormDialog>
      )}
    </Section>
  );
}
