'use client';
import { Box, chakra } from '@chakra-ui/react';
import type { Unit } from '@/core/entities/entities';
import { usePictures } from './pictures';
import * as words from '@/words/catalogue/photos';

/** The pictures of a unit, small; each opens large. */
export function PhotoStrip({ unit }: { readonly unit: Pick<Unit, 'id' | 'tag' | 'photos'> }) {
  const { sourceOf } = usePictures();
  if (unit.photos.length === 0) return null;
  return (
    <Box as="ul" display="flex" gap="8px" flexWrap="wrap" aria-label={words.photos({ tag: unit.tag })}>
      {unit.photos.map(({ id, field }, at) => {
        const path = sourceOf({ id, unitId: unit.id });
        return (
          <li key={id}>
            <a href={path} target="_blank" rel="noreferrer">
              {/* Already small, and behind a sign-in: the framework would only fetch it once more. */}
              <chakra.img
                src={path}
                alt={words.photoField({
                  value: at + 1,
                  tag: unit.tag,
                  isField: field === null ? 'yes' : 'no',
                  field,
                })}
                h="48px"
                w="64px"
                objectFit="cover"
                borderRadius="soft"
              />
            </a>
          </li>
        );
      })}
    </Box>
  );
}
