'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { WorkBench } from '@/core/people/benches';
import type { Refusal } from '@/core/shared/outcome';
import { AddByName } from '@/ui/base/AddByName';
import { Button } from '@/ui/base/Button';
import { Input } from '@/ui/base/Input';
import { Section } from '@/ui/base/Section';
import { send } from '@/ui/server/send';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import * as words from '@/words/catalogue/people';

/** The benches at which people sign in: add one, give it another name, take it out of use. */
export function BenchList({ benches }: { readonly benches: readonly WorkBench[] }) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, start] = useTransition();
  const put = (id: string | null, bench: Omit<WorkBench, 'id'>, then = () => {}) =>
    start(async () => {
      const outcome = await send<WorkBench>(
        id === null ? 'POST' : 'PUT',
        id === null ? '/api/benches' : `/api/benches/${id}`,
        { name: bench.name, isInUse: bench.isInUse },
      );
      setRefusal(outcome.ok ? null : outcome.refusal);
      if (outcome.ok) then();
      router.refresh();
    });
  return (
    <Section
      title={words.benches()}
      note={words.benchesInUse({ count: benches.filter((b) => b.isInUse).length })}
      mt="26px"
    >
      <ul>
        {benches.map((bench) => (
          <BenchRow
            // Another name from elsewhere begins a new field.
            key={`${bench.id} ${bench.name}`}
            bench={bench}
            isBusy={isBusy}
            onPut={(change) => put(bench.id, { ...bench, ...change })}
          />
        ))}
      </ul>
      <AddByName
        label={words.newBench()}
        add={words.addBench()}
        most={40}
        isBusy={isBusy}
        refusal={refusal}
        onAdd={(name, then) => put(null, { name, isInUse: true }, then)}
      />
      <RefusalAlert refusal={refusal} />
    </Section>
  );
}

function BenchRow({
  bench,
  isBusy,
  onPut,
}: {
  readonly bench: WorkBench;
  readonly isBusy: boolean;
  readonly onPut: (change: Partial<WorkBench>) => void;
}) {
  const [name, setName] = useState(bench.name);
  const isRenamed = name.trim() !== bench.name && name.trim() !== '';
  return (
    <Box as="li" display="flex" gap="10px" alignItems="center" py="6px" borderBottomWidth="1px" borderColor="rule">
      <Input
        aria-label={words.nameOfBench({ name: bench.name })}
        w="240px"
        maxLength={40}
        autoComplete="off"
        color={bench.isInUse ? undefined : 'inkMuted'}
        value={name}
        onChange={({ currentTarget: { value } }) => setName(value)}
        onKeyDown={({ key, currentTarget }) => {
          if (key === 'Enter' && isRenamed) onPut({ name });
          if (key === 'Escape') setName(bench.name);
          if (key === 'Enter' || key === 'Escape') currentTarget.blur();
        }}
      />
      {isRenamed && (
        <Button size="small" look="action" disabled={isBusy} onClick={() => onPut({ name })}>
          {words.rename()}
        </Button>
      )}
      <Box as="span" flex="1" textStyle="note" color="inkMuted">
        {bench.isInUse ? '' : words.outOfUse()}
      </Box>
      <Button
        size="small"
        disabled={isBusy}
        aria-label={words.useOf({ isInUse: bench.isInUse ? 'yes' : 'no', name: bench.name })}
        onClick={() => onPut({ isInUse: !bench.isInUse })}
      >
        {words.useOf({ isInUse: bench.isInUse ? 'yes' : 'no', name: '' }).trim()}
      </Button>
    </Box>
  );
}
