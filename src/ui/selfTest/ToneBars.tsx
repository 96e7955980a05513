'use client';
import { chakra } from '@chakra-ui/react';
import { heardAboveDb, isHeard } from '@/core/selfTest/judgeSelfTest';
import type { Tone } from '@/core/selfTest/reads';
import * as texts from '@/words/catalogue/selfTest';

const Frame = chakra('svg', { base: { w: '100%', maxW: '420px', h: '96px' } });
const Bar = chakra('rect', { base: { fill: 'danger', '&[data-heard=yes]': { fill: 'sound' } } });
const Limit = chakra('path', { base: { stroke: 'inkMuted', strokeWidth: '1', strokeDasharray: '4 3', fill: 'none' } });

/** Above this a tone is as loud as need be. */
const tallestDb = 50;

/** How far each tone stood above the quiet, and from where it counts as heard. */
export function ToneBars({ tones }: { readonly tones: readonly Tone[] }) {
  const high = (db: number) => (Math.min(tallestDb, Math.max(1, db)) / tallestDb) * 90;
  return (
    <Frame
      viewBox={`0 0 ${tones.length * 20} 96`}
      role="img"
      aria-label={texts.levelsOfTones()}
      preserveAspectRatio="none"
    >
      {tones.map((tone, at) => {
        const height = high(tone.heardDb - tone.quietDb);
        return (
          <Bar
            key={tone.hertz}
            data-heard={isHeard(tone) ? 'yes' : 'no'}
            x={at * 20 + 3}
            y={94 - height}
            width="14"
            height={height}
          />
        );
      })}
      <Limit d={`M0 ${94 - high(heardAboveDb)}H${tones.length * 20}`} />
    </Frame>
  );
}
