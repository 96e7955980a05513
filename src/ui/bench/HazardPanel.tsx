'use client';
import { say as sayApart } from '@/words/catalogue/core/apart';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { apartRules } from '@/core/shop/apart';
import type { Unit } from '@/core/entities/entities';
import type { Person } from '@/core/people/roles';
import { Button } from '@/ui/base/Button';
import { SafetySteps } from '@/ui/apart/SafetySteps';
import { Caution } from '@/ui/base/Caution';
import { Field } from '@/ui/base/Field';
import { Input, Select } from '@/ui/base/Input';
import { KeyButton } from '@/ui/keys/KeyButton';
import { authorise } from './authorise';
import * as words from '@/words/catalogue/benchLater';

interface HazardProps {
  readonly unit: Unit;
  readonly person: Person;
  readonly leads: readonly Pick<Person, 'id' | 'name'>[];
  readonly onCleared: () => void;
  readonly onSetApart: () => void;
}

/** The sheet stands still: what to do first, then the word of an authorised person, or the fire-safe place. */
export function HazardPanel({ unit, person, leads, onCleared, onSetApart }: HazardProps) {
  const { steps, note } = apartRules.hazard;
  const [done, setDone] = useState<readonly number[]>([]);
  const isReady = steps.every((_, at) => done.includes(at));
  return (
    <Box as="main" p="20px 26px" overflowY="auto" minW="0" tabIndex={0}>
      <Box as="h1" textStyle="instruction" aria-live="assertive">
        {words.stopBatterySwollen()}
      </Box>
      <Box textStyle="lead" fontSize="19px" my="12px">
        {words.nothingContinuesUntilSafeAnd()}
      </Box>
      <Caution what={words.canBurn()}>{sayApart(note)}</Caution>
      <Box my="18px" maxW="720px">
        <SafetySteps steps={steps.map(sayApart)} done={done} onDone={setDone} size="bench" />
      </Box>
      <Box display="grid" gap="12px" maxW="720px">
        {person.role === 'lead' ? (
          <KeyButton
            records
            keyName=" "
            label={words.safeContinueSheet()}
            look="action"
            size="wide"
            isEnabled={isReady}
            onPress={onCleared}
          />
        ) : (
          <Authorised unit={unit} leads={leads} isReady={isReady} />
        )}
        <KeyButton
          records
          keyName="q"
          label={words.hotSmellingOrPuncturedTake({ tag: unit.tag })}
          look="danger"
          size="bench"
          onPress={onSetApart}
        />
      </Box>
    </Box>
  );
}

/** A lead says so at this bench with the PIN, without anybody signing out. */
function Authorised({
  unit,
  leads,
  isReady,
}: {
  readonly unit: Unit;
  readonly leads: HazardProps['leads'];
  readonly isReady: boolean;
}) {
  const [personId, setPersonId] = useState(leads[0]?.id ?? '');
  const [pin, setPin] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        setPin('');
        void authorise({ personId, pin, unit }).then(setSaid);
      }}
    >
      <Box as="fieldset" borderWidth="0" display="grid" gridTemplateColumns="1fr 1fr auto" gap="10px" alignItems="end">
        <Field label={words.authorisedPerson()}>
          <Select value={personId} minH="48px" onChange={(event) => setPersonId(event.currentTarget.value)}>
            {leads.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </Field>
        <Field label={words.pin()}>
          <Input
            type="password"
            inputMode="numeric"
            autoComplete="off"
            value={pin}
            onChange={(event) => setPin(event.currentTarget.value)}
            minH="48px"
          />
        </Field>
        <Button type="submit" look="action" size="bench" disabled={!isReady || pin === ''}>
          {words.safeContinue()}
        </Button>
      </Box>
      <Box role="status" minH="24px" mt="6px" textStyle="note" color="danger">
        {said ?? words.doThreeStepsAboveFirst({ isReady: isReady ? 'yes' : 'no' })}
      </Box>
    </form>
  );
}
