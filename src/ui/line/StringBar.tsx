'use client';
import { Box, chakra } from '@chakra-ui/react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { Fragment } from 'react';
import { knots, type Knot } from '@/core/bench/stages';
import { knotNames } from '@/ui/words/names';

export interface KnotState {
  readonly knot: Knot;
  readonly count: number;
}

const KnotLink = chakra(Link, {
  base: {
    display: 'flex',
    flexDirection: 'column',
    alignItems: 'center',
    gap: '6px',
    w: '62px',
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

const KnotLabel = chakra('span', {
  base: { fontSize: '14px', color: 'inkMuted' },
  variants: {
    state: { here: { color: 'action', fontWeight: '700' }, tight: { color: 'danger', fontWeight: '700' }, slack: {} },
  },
});

/** For those who cannot see that the string is tight. */
const Hidden = chakra('span', {
  base: { position: 'absolute', w: '1px', h: '1px', overflow: 'hidden', clipPath: 'inset(50%)' },
});

/** The line of work: where one is, how much lies at each stage, and which one is pulled tight. */
export function StringBar({ states, tight }: { readonly states: readonly KnotState[]; readonly tight: Knot | null }) {
  const path = usePathname();
  const here = knots.find((knot) => path.startsWith(`/${knot}`));
  return (
    <Box as="nav" aria-label="The line" display="flex" alignItems="flex-start" flex="1" minW="0" maxW="900px">
      {states.map(({ knot, count }, index) => {
        const state = knot === here ? 'here' : knot === tight ? 'tight' : 'slack';
        return (
          <Fragment key={knot}>
            {index > 0 && <Thread isTight={knot === tight || states[index - 1]?.knot === tight} />}
            <KnotLink
              href={`/${knot}`}
              prefetch={false}
              aria-current={knot === here ? 'page' : undefined}
              data-knot={knot}
            >
              <Bead state={state}>{count}</Bead>
              <KnotLabel state={state}>{knotNames[knot]}</KnotLabel>
              {knot === tight && <Hidden>, the slowest stage</Hidden>}
            </KnotLink>
          </Fragment>
        );
      })}
    </Box>
  );
}

/** The string between two knots: it sags, and is straight where it is pulled. */
function Thread({ isTight }: { readonly isTight: boolean }) {
  return (
    <Box flex="1" h="29px" mx="-18px" minW="8px" aria-hidden>
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
