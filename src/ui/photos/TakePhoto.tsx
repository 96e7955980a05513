'use client';
import { useRef, useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { Mark, Unit, UnitPhoto } from '@/core/bench/entities';
import { KeyButton } from '@/ui/keys/KeyButton';
import { smallJpeg } from './smallJpeg';

/**
 * One key opens the camera (or a file); the picture is kept, then said to belong to the unit and to the place that was
 * marked last. What could not be sent is said, and stays with the person who took it.
 */
export function TakePhoto({
  unit,
  about,
  onTaken,
}: {
  readonly unit: Pick<Unit, 'id'>;
  readonly about: Pick<Mark, 'face' | 'field'> | undefined;
  readonly onTaken: (photo: UnitPhoto) => void;
}) {
  const field = useRef<HTMLInputElement>(null);
  const [state, setState] = useState<'idle' | 'sending' | 'failed' | 'unreadable'>('idle');
  const send = async (file: File) => {
    setState('sending');
    const jpeg = await smallJpeg(file);
    if (!jpeg) return setState('unreadable');
    const id = makeId();
    const kept = await fetch(`/api/units/${unit.id}/photos/${id}`, { method: 'PUT', body: jpeg }).catch(() => null);
    if (!kept?.ok) return setState('failed');
    setState('idle');
    onTaken({ id, face: about?.face ?? null, field: about?.field ?? null });
  };
  return (
    <>
      <input
        ref={field}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label="Photo"
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          event.currentTarget.value = '';
          if (file) void send(file);
        }}
      />
      <KeyButton
        keyName="h"
        label={labels[state]}
        size="small"
        px="8px"
        gap="6px"
        fontSize="14px"
        look={state === 'failed' || state === 'unreadable' ? 'fault' : 'quiet'}
        isEnabled={state !== 'sending'}
        onPress={() => field.current?.click()}
      />
    </>
  );
}

const labels = {
  idle: 'photo',
  sending: 'photo: sending',
  failed: 'photo not sent: again',
  unreadable: 'no picture: another',
} as const;
