'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { apartRules } from '@/core/bench/apart';
import type { Unit } from '@/core/bench/entities';
import type { Person } from '@/core/people/roles';
import { Button } from '@/ui/base/Button';
import { SafetySteps } from '@/ui/apart/SafetySteps';
import { Caution } from '@/ui/base/Caution';
import { Input } from '@/ui/base/Input';
import { KeyButton } from '@/ui/keys/KeyButton';
import { authorise } from './authorise';

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
        Stop: the cell is swollen
      </Box>
      <Box textStyle="lead" fontSize="19px" my="12px">
        Nothing of this sheet goes on until it is safe and an authorised person says so.
      </Box>
      <Caution what="It can burn.">{note}</Caution>
      <Box my="18px" maxW="720px">
        <SafetySteps steps={steps} done={done} onDone={setDone} size="bench" />
      </Box>
      <Box display="grid" gap="12px" maxW="720px">
        {person.role === 'lead' ? (
          <KeyButton
            keyName=" "
            label="It is safe: go on with the sheet"
            look="action"
            size="wide"
            isEnabled={isReady}
            onPress={onCleared}
          />
        ) : (
          <Authorised unit={unit} leads={leads} isReady={isReady} />
        )}
        <KeyButton
          keyName="q"
          label={`It is hot, smells or is punctured: ${unit.tag} to the fire-safe place`}
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
        <label>
          <Box as="span" textStyle="section" display="block" mb="4px">
            An authorised person
          </Box>
          <select
            value={personId}
            onChange={(event) => setPersonId(event.currentTarget.value)}
            style={{ minHeight: 48, width: '100%', font: 'inherit', background: 'transparent', color: 'inherit' }}
          >
            {leads.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label>
          <Box as="span" textStyle="section" display="block" mb="4px">
            PIN
          </Box>
          <Input
            type="password"
            inputMode="numeric"
            autoComplete="off"
            value={pin}
            onChange={(event) => setPin(event.currentTarget.value)}
            minH="48px"
          />
        </label>
        <Button type="submit" look="action" size="bench" disabled={!isReady || pin === ''}>
          It is safe: go on
        </Button>
      </Box>
      <Box role="status" minH="24px" mt="6px" textStyle="note" color="danger">
        {said ?? (isReady ? '' : 'First the three steps above.')}
      </Box>
    </form>
  );
}
