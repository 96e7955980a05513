'use client';
import { Box, chakra } from '@chakra-ui/react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { Fragment } from 'react';
import { lineStages } from '@/core/entities/stages';
import type { LineStates } from '@/services/line/readLine';
import { useLineNow } from '@/ui/live/lineNow';
import { lineStageNames } from '@/words/say/names';
import * as words from '@/words/catalogue/line';

const StageLink = chakra(Link, {
  base: {
    display: 'flex',
    flexDirection: 'column',
    alignItems: 'center',
    gap: '6px',
    w: { base: '74px', md: '62px' },
    flexShrink: 0,
    position: 'relative',
    zIndex: 1,
    borderRadius: 'soft',
  },
});

const Bead = chakra('span', {
  base: {
    display: 'flex',
    alignItems: 'center',
    justifyContent: 'center',
    minW: '29px',
    h: '29px',
    px: '6px',
    borderRadius: 'full',
    borderWidth: '2px',
    borderStyle: 'solid',
    borderColor: 'twine',
    bg: 'sheet',
    fontWeight: '700',
    fontSize: '14px',
  },
  variants: {
    state: {
      here: { bg: 'action', borderColor: 'action', color: 'onAction' },
      tight: { borderColor: 'danger', borderWidth: '3px', color: 'danger' },
      slack: {},
    },
  },
});

const StageLabel = chakra('span', {
  base: { fontSize: '14px', color: 'inkMuted' },
  variants: {
    state: { here: { color: 'action', fontWeight: '700' }, tight: { color: 'danger', fontWeight: '700' }, slack: {} },
  },
});

/** For those who cannot see that the line is straight there. */
const Hidden = chakra('span', {
  base: { position: 'absolute', w: '1px', h: '1px', overflow: 'hidden', clipPath: 'inset(50%)' },
});

/** The line of work: where one is, how much lies at each stage, and which one is pulled tight. */
export function LineBar({ line }: { readonly line: LineStates }) {
  const { states, tight } = useLineNow(line);
  const path = usePathname();
  const here = lineStages.find((stage) => path.startsWith(`/${stage}`));
  return (
    <Box
      as="nav"
      aria-label={words.theLine()}
      display="flex"
      alignItems="flex-start"
      maxW="900px"
      overflowX={{ base: 'auto', lg: 'visible' }}
    >
      {states.map(({ stage, count }, index) => {
        const state = stage === here ? 'here' : stage === tight ? 'tight' : 'slack';
        return (
          <Fragment key={stage}>
            {index > 0 && <Thread isTight={stage === tight || states[index - 1]?.stage === tight} />}
            <StageLink
              href={`/${stage}`}
              prefetch={false}
              aria-current={stage === here ? 'page' : undefined}
              data-stage={stage}
            >
              <Bead state={state}>{count}</Bead>
              <StageLabel state={state}>{lineStageNames[stage]}</StageLabel>
              {stage === tight && <Hidden>{words.slowestStage()}</Hidden>}
            </StageLink>
          </Fragment>
        );
      })}
    </Box>
  );
}

/** The line between two stages: it sags, and is straight before the slowest one. */
function Thread({ isTight }: { readonly isTight: boolean }) {
  return (
    <Box flex="1" h="29px" mx="-18px" minW={{ base: '38px', md: '8px' }} aria-hidden>
      <chakra.svg
        viewBox="0 0 100 29"
        preserveAspectRatio="none"
        w="100%"
        h="100%"
        display="block"
        fill="none"
        stroke="twine"
      >
        <path
          d={isTight ? 'M0 14.5 L100 14.5' : 'M0 14.5 Q50 24 100 14.5'}
          strokeWidth={isTight ? 4 : 2}
          vectorEffect="non-scaling-stroke"
        />
      </chakra.svg>
    </Box>
  );
}
