'use client';
import { Box } from '@chakra-ui/react';
import type { Face } from '@/core/procedure/faces';
import type { Operation } from '@/core/procedure/operations';
import * as words from '@/words/catalogue/drawing';

/** What the marks of a drawing say, in words, under it: the scale, the hold, the seam's depth, where no tool goes. */
export function FaceLegend({
  face,
  operation,
  scale,
}: {
  readonly face: Face;
  readonly operation?: Operation;
  readonly scale: number;
}) {
  const barMm = face.widthMm > 150 ? 60 : 20;
  return (
    <Box
      display="flex"
      flexWrap="wrap"
      gap="8px 20px"
      minW="220px"
      textStyle="note"
      color="inkMuted"
      mt="10px"
      alignItems="center"
    >
      <Box display="flex" gap="8px" alignItems="center">
        <Box
          w={`${barMm * scale}px`}
          h="8px"
          borderWidth="0 1.5px"
          borderBottomWidth="1.5px"
          borderColor="inkMuted"
          borderStyle="solid"
        />
        {words.mm({ barMm, name: face.name })}
      </Box>
      {operation?.hold && (
        <Box color="action" fontWeight="600">
          {words.hold({ where: operation.hold.where })}
        </Box>
      )}
      {operation?.seam && operation.seam[0] && (
        <Box color="action" fontWeight="600">
          {words.alongSeamMmDeep({ depthMm: operation.seam[0].depthMm })}
        </Box>
      )}
      {face.keepOut.map((zone) => (
        <Box key={zone.label} color="danger" fontWeight="600">
          {words.noTools({ label: zone.label })}
        </Box>
      ))}
    </Box>
  );
}
