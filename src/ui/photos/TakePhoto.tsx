'use client';
import { Text } from '@chakra-ui/react';
import { useRef, useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { Mark } from '@/core/findings/mark';
import type { Unit, UnitPhoto } from '@/core/entities/entities';
import { Refused } from '@/ui/base/Refused';
import { KeyButton } from '@/ui/keys/KeyButton';
import { pictures, usePictures } from './pictures';
import { smallJpeg } from './smallJpeg';
import * as words from '@/words/catalogue/photos';

/**
 * One key opens the camera (or a file). The picture belongs to the unit, and to the place or the step that was at hand,
 * from that moment; it is kept in the browser until the server has it, whatever happens to the way there.
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
  /** False when it may not be said of the unit now. */
  readonly onTaken: (photo: UnitPhoto) => boolean;
}) {
  const field = useRef<HTMLInputElement>(null);
  const [isUnreadable, setIsUnreadable] = useState(false);
  const { waiting, rejected, away } = usePictures();
  const isOwn = ({ unitId }: { readonly unitId: string }) => unitId === unit.id;
  const refused = rejected.filter(({ letter }) => isOwn(letter));
  const late = away === null ? 0 : waiting.filter(isOwn).length;
  const take = async (file: File) => {
    const jpeg = await smallJpeg(file);
    setIsUnreadable(jpeg === null);
    if (!jpeg) return;
    const photo: UnitPhoto = {
      id: makeId(),
      face: about?.face ?? null,
      field: about?.field ?? null,
      ...(operationId !== undefined && { operationId }),
    };
    if (onTaken(photo)) pictures().add({ id: photo.id, unitId: unit.id, jpeg });
  };
  const again = () => {
    for (const { letter } of refused) pictures().add(letter);
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
        label={
          refused.length > 0
            ? words.photoNotSentTryAgain()
            : isUnreadable
              ? words.notPictureChooseAnother()
              : late > 0
                ? words.photoWaits({ count: late })
                : words.photoIdle()
        }
        size="small"
        px="8px"
        gap="6px"
        fontSize="14px"
        look={refused.length > 0 || isUnreadable ? 'fault' : 'quiet'}
        onPress={() => (refused.length > 0 ? again() : field.current?.click())}
      />
      {refused[0] && (
        <Text role="status" fontSize="14px" color="danger">
          <Refused refusal={refused[0].refusal} />
        </Text>
      )}
    </>
  );
}
