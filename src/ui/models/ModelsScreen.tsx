'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { RowLink } from '@/ui/base/Row';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyCap } from '@/ui/base/KeyCap';
import { useKey } from '@/ui/keys/KeysProvider';
import { useChosen } from '@/ui/keys/useChosen';
import { startCount } from '@/ui/words/amounts';
import { sayRefusal } from '@/ui/words/sentences';

export interface ModelSummary {
  readonly id: string;
  readonly version: number;
  readonly maker: string;
  readonly name: string;
  readonly kind: string;
  readonly letters: string;
  readonly parts: number;
  readonly operations: number;
  readonly screws: number;
}

/** How does it come apart? The library, and the way in for a new document. */
export function ModelsScreen({
  models,
  mayImport,
}: {
  readonly models: readonly ModelSummary[];
  readonly mayImport: boolean;
}) {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const { chosen } = useChosen(models.map(({ id }) => id));
  useKey('Enter', 'Open the model', () => router.push(`/models/${chosen}`), chosen !== undefined);
  const send = async (picked: File | undefined) => {
    if (!picked) return;
    setRefusal(null);
    const response = await fetch('/api/models/import', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: await picked.text(),
    }).catch(() => undefined);
    if (!response) return setRefusal({ reason: 'server-away', facts: {} });
    const answer = (await response.json()) as { refusal?: Refusal };
    if (answer.refusal) setRefusal(answer.refusal);
    else router.refresh();
    if (file.current) file.current.value = '';
  };
  return (
    <Box p="28px" maxW="1040px">
      <Headline
        lead="Each is a document that can be checked, planned from and drawn. Units keep the version they were planned with."
        aside={
          mayImport && (
            <KeyButton keyName="i" label="Import a model" look="action" onPress={() => file.current?.click()} />
          )
        }
      >
        {startCount(models.length, 'model')} in the library
      </Headline>
      <input
        ref={file}
        type="file"
        accept="application/json,.json"
        hidden
        aria-label="Model document"
        onChange={(event) => void send(event.currentTarget.files?.[0])}
      />
      {refusal && <Caution what="Not taken.">{sayRefusal(refusal)}</Caution>}
      <Box as="ul" mt="12px">
        {models.map((model) => (
          <li key={model.id}>
            <RowLink
              prefetch={false}
              href={`/models/${model.id}`}
              press="yes"
              state={model.id === chosen ? 'chosen' : 'plain'}
              minH="60px"
            >
              <KeyCap name={model.letters} />
              <Box flex="1">
                <Box textStyle="list" fontWeight="600">
                  {model.maker} {model.name}
                </Box>
                <Box textStyle="note" color="inkMuted">
                  {model.kind}, version {model.version}
                </Box>
              </Box>
              <Box color="inkMuted">
                {model.parts} parts · {model.operations} operations · {model.screws} screws
              </Box>
            </RowLink>
          </li>
        ))}
      </Box>
    </Box>
  );
}
