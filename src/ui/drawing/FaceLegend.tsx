'use client';
import { Box } from '@chakra-ui/react';
import type { Face } from '@/core/procedure/faces';
import type { Handwork } from '@/core/procedure/operations';
import type { ZonesNow } from '@/core/sheet/zonesNow';
import { sayHold } from '@/words/say/sayHands';
import * as words from '@/words/catalogue/drawing';

/** What the marks of a drawing say, in words, under it: the scale, the hold, where no tool goes and where metal may. */
export function FaceLegend({
  face,
  hands,
  zones,
  scale,
}: {
  readonly face: Face;
  readonly hands?: Pick<Handwork, 'hold'>;
  readonly zones: ZonesNow;
  readonly scale: number;
}) {
  const barMm = face.widthMm > 150 ? 60 : 20;
  return (
    <Box display="flex" flexWrap="wrap" gap="6px 18px" textStyle="note" color="inkMuted" mt="8px" alignItems="center">
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
      {hands?.hold && (
        <Box color="action" fontWeight="600">
          {words.hold({ where: sayHold(hands.hold) })}
        </Box>
      )}
      {zones.keepOut.map((zone) => (
        <Box key={`${zone.label} ${zone.xMm} ${zone.yMm}`} color="danger" fontWeight="600">
          {words.zone({
            label: zone.label,
            forbids: zone.forbids ?? 'tool',
            isDeep: zone.depthMm === undefined ? 'no' : 'yes',
            depthMm: zone.depthMm ?? 0,
            because: zone.because,
          })}
        </Box>
      ))}
      {zones.protectedZones.map(({ label, because }) => (
        <Box key={label} color="sound" fontWeight="600">
          {words.metalMayGo({ label, because })}
        </Box>
      ))}
    </Box>
  );
}
