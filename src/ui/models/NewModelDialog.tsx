'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { v4 as uuid } from 'uuid';
import { deviceKinds, type DeviceKind } from '@/core/procedure/vocabulary';
import type { Refusal } from '@/core/shared/outcome';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { Field } from '@/ui/base/Field';
import { Input, Select } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { atFault } from '@/ui/base/atFault';
import { Refused } from '@/ui/base/Refused';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/models';
import { kindNames } from '@/words/say/names';

/** Who made it and what it is called: enough to begin a draft or the log of a first opening. */
export function NewModelDialog({
  begins,
  onClose,
}: {
  readonly begins: 'draft' | 'opening';
  readonly onClose: () => void;
}) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const text = (name: string) => String(form.get(name) ?? '').trim();
    const head = { maker: text('maker'), name: text('name'), kind: text('kind') as DeviceKind };
    const id = uuid();
    const outcome =
      begins === 'draft'
        ? await send('POST', '/api/drafts', { id, from: 'nothing', ...head })
        : await send('POST', '/api/openings', { id, ...head, proofOfOff: text('proofOfOff') });
    if (!outcome.ok) return setRefusal(outcome.refusal);
    router.push(begins === 'draft' ? `/models/drafts/${id}` : `/models/opening/${id}`);
  };
  return (
    <Dialog title={words.newModel2({ isBeginsDraft: begins === 'draft' ? 'yes' : 'no' })} onClose={onClose}>
      <form onSubmit={(event) => void submit(event)}>
        <Box display="grid" gap="12px">
          <Field label={words.maker()}>
            <Input name="maker" {...atFault(refusal, 'maker')} required maxLength={40} autoFocus autoComplete="off" />
          </Field>
          <Field label={words.name()}>
            <Input name="name" {...atFault(refusal, 'name')} required maxLength={60} autoComplete="off" />
          </Field>
          <Field label={words.kind()}>
            <Select name="kind" defaultValue="phone">
              {deviceKinds.map((kind) => (
                <option key={kind} value={kind}>
                  {kindNames[kind]}
                </option>
              ))}
            </Select>
          </Field>
          {begins === 'opening' && (
            <Field label={words.howSwitchedOffAndHow()}>
              <Input name="proofOfOff" {...atFault(refusal, 'proofOfOff')} maxLength={200} autoComplete="off" />
            </Field>
          )}
          {refusal && (
            <Caution what={words.notStarted()}>
              <Refused refusal={refusal} />
            </Caution>
          )}
          <Button type="submit" look="action" size="wide">
            <KeyCap name="Enter" />
            {words.startWriting({ isBeginsDraft: begins === 'draft' ? 'yes' : 'no' })}
          </Button>
        </Box>
      </form>
    </Dialog>
  );
}
