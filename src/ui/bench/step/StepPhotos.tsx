'use client';
import { Box, chakra } from '@chakra-ui/react';
import type { Unit, UnitPhoto } from '@/core/entities/entities';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Section } from '@/ui/base/Section';
import { usePictures } from '@/ui/photos/pictures';
import { TakePhoto } from '@/ui/photos/TakePhoto';
import * as words from '@/words/catalogue/bench';

/** How it lay before it was disturbed: taken on the way out by one key, shown again where it goes back. */
export function StepPhotos({
  unit,
  step,
  onTaken,
}: {
  readonly unit: Unit;
  readonly step: SheetStep;
  readonly onTaken: (photo: UnitPhoto) => boolean;
}) {
  const { sourceOf } = usePictures();
  const photos = unit.photos.filter(({ operationId }) => operationId !== undefined && operationId === step.operationId);
  return (
    <Section
      title={words.photoOfThisPlace()}
      note={photos.length > 0 ? words.takenAtOpening({ count: photos.length }) : undefined}
    >
      <Box pt="8px" display="grid" gap="8px">
        {photos.map(({ id }) => {
          const path = sourceOf({ id, unitId: unit.id });
          return (
            <a key={id} href={path} target="_blank" rel="noreferrer">
              {/* Already small, and behind a sign-in: the framework would only fetch it once more. */}
              <chakra.img
                src={path}
                alt={words.asItLay()}
                w="100%"
                maxH="190px"
                objectFit="cover"
                borderRadius="soft"
              />
            </a>
          );
        })}
        {step.leg === 'out' && (
          <Box>
            <TakePhoto
              unit={unit}
              about={undefined}
              operationId={step.operationId ?? undefined}
              keyName="y"
              onTaken={onTaken}
            />
          </Box>
        )}
      </Box>
    </Section>
  );
}
