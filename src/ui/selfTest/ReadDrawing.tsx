'use client';
import { Box, chakra } from '@chakra-ui/react';
import type { SelfRead, TouchRead, PictureRead } from '@/core/selfTest/reads';
import * as texts from '@/words/catalogue/selfTest';
import { MarkSign } from './MarkSign';
import { ToneBars } from './ToneBars';

const Frame = chakra('svg', {
  base: {
    h: '92px',
    w: 'auto',
    maxW: '150px',
    borderWidth: '1px',
    borderColor: 'rule',
    flexShrink: 0,
    color: 'danger',
  },
});
const Missed = chakra('rect', { base: { fill: 'danger' } });

/** Where on the unit something is wrong, as it was read; nothing for what has no place. */
export function ReadDrawing({ read }: { readonly read: SelfRead }) {
  if (read.is === 'picture') return <Marked read={read} />;
  if (read.is === 'touch') return <Grid read={read} />;
  if (read.is === 'sound' && read.tones.length > 0)
    return (
      <Box w="150px" flexShrink={0}>
        <ToneBars tones={read.tones} />
      </Box>
    );
  return null;
}

function Marked({ read: { width, height, marks } }: { readonly read: PictureRead }) {
  return (
    <Frame viewBox={`0 0 ${width} ${height}`} role="img" aria-label={texts.marksOnScreen()}>
      {marks.map((mark, at) => (
        <MarkSign
          key={at}
          kind={mark.kind}
          x={mark.x}
          y={mark.y}
          colour="currentColor"
          size={Math.max(width, height) / 26}
        />
      ))}
    </Frame>
  );
}

function Grid({ read: { columns, rows, missed } }: { readonly read: TouchRead }) {
  return (
    <Frame viewBox={`0 0 ${columns} ${rows}`} role="img" aria-label={texts.missedFields()}>
      {missed.map((at) => (
        <Missed key={at} x={at % columns} y={Math.floor(at / columns)} width="1" height="1" />
      ))}
    </Frame>
  );
}
