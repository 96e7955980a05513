'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { Model } from '@/core/procedure/model';
import type { Refusal } from '@/core/shared/outcome';
import type { DraftView } from '@/services/drafts/readDraft';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { send } from '@/ui/server/send';
import { Refused } from '@/ui/base/Refused';
import type { DraftStore, SaveState } from './draftStore';
import * as texts from '@/words/catalogue/editor';

/** Whether the server has what was written. */
export function SaveWords({ save }: { readonly save: SaveState }) {
  const words: Readonly<Record<SaveState['is'], string>> = {
    saved: texts.saved(),
    saving: texts.saving(),
    away: texts.serverDoesNotAnswerKept(),
    stale: texts.notSaved(),
    refused: texts.notSaved(),
  };
  return <span data-save={save.is}>{words[save.is]}</span>;
}

/** Two people at one draft: the second is told, keeps what was written, and says whose it shall be. */
export function NotSaved({
  id,
  save,
  model,
  store,
}: {
  readonly id: string;
  readonly save: SaveState;
  readonly model: Model;
  readonly store: DraftStore;
}) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  if (save.is === 'refused')
    return (
      <Caution what={texts.notSaved()}>
        <Refused refusal={save.refusal} />
      </Caution>
    );
  if (save.is !== 'stale') return null;
  const keepMine = async () => {
    const copy = uuid();
    const outcome = await send('POST', '/api/drafts', { id: copy, from: 'document', document: model });
    if (!outcome.ok) return setRefusal(outcome.refusal);
    store.letGo();
    router.push(`/models/drafts/${copy}`);
  };
  const takeTheirs = async () => {
    const theirs = await send<DraftView>('GET', `/api/drafts/${id}`);
    if (!theirs.ok) return setRefusal(theirs.refusal);
    store.takeTheirs(theirs.value.document, theirs.value.version);
  };
  return (
    <Box mb="8px">
      <Caution tone="waiting" what={texts.savedThisDraftInMeantime({ somebody: save.by || texts.somebody() })}>
        {texts.yourVersionKeptHere()}
      </Caution>
      <Box display="flex" gap="8px" mt="8px">
        <Button look="action" size="small" onClick={() => void keepMine()}>
          {texts.keepMineSeparately()}
        </Button>
        <Button size="small" onClick={() => void takeTheirs()}>
          {texts.takeTheirs()}
        </Button>
      </Box>
      {refusal && (
        <Caution what={texts.notDone()}>
          <Refused refusal={refusal} />
        </Caution>
      )}
    </Box>
  );
}
