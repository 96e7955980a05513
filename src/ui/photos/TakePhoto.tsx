'use client';
import { useRef, useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { Mark } from '@/core/findings/mark';
import type { Unit, UnitPhoto } from '@/core/entities/entities';
import { KeyButton } from '@/ui/keys/KeyButton';
import { smallJpeg } from './smallJpeg';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/photos';

/**
 * One key opens the camera (or a file); the picture is kept, then said to belong to the unit and to the place that was
 * marked last. What could not be sent is said, and stays with the person who took it.
 */
export function TakePhoto({
  unit,
  about,
  operationId,
  keyName = 'h',
  onTaken,
}: {
  readonly unit: Pick<Unit, 'id'>;
  readonly about: Pick<Mark, 'face' | 'field'> | undefined;
  /** The step of the bench that it shows. */
  readonly operationId?: string;
  readonly keyName?: string;
  readonly onTaken: (photo: UnitPhoto) => void;
}) {
  const field = useRef<HTMLInputElement>(null);
  const [state, setState] = useState<'idle' | 'sending' | 'failed' | 'unreadable'>('idle');
  // A picture that could not be sent is kept here: the key sends it again.
  const unsent = useRef<Blob | null>(null);
  const keep = async (jpeg: Blob) => {
    setState('sending');
    unsent.current = jpeg;
    const id = makeId();
    const kept = await send('PUT', `/api/units/${unit.id}/photos/${id}`, jpeg);
    if (!kept.ok) return setState('failed');
    unsent.current = null;
    setState('idle');
    onTaken({
      id,
      face: about?.face ?? null,
      field: about?.field ?? null,
      ...(operationId !== undefined && { operationId }),
    });
  };
  const take = async (file: File) => {
    setState('sending');
    const jpeg = await smallJpeg(file);
    if (!jpeg) return setState('unreadable');
    await keep(jpeg);
  };
  return (
    <>
      <input
        ref={field}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label={words.photo()}
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          event.currentTarget.value = '';
          if (file) void take(file);
        }}
      />
      <KeyButton
        records
        keyName={keyName}
        label={labels[state]}
        size="small"
        px="8px"
        gap="6px"
        fontSize="14px"
        look={state === 'failed' || state === 'unreadable' ? 'fault' : 'quiet'}
        isEnabled={state !== 'sending'}
        onPress={() => (unsent.current ? void keep(unsent.current) : field.current?.click())}
      />
    </>
  );
}

const labels = {
  idle: words.photoIdle(),
  sending: words.photoSending(),
  failed: words.photoNotSentTryAgain(),
  unreadable: words.notPictureChooseAnother(),
} as const;
