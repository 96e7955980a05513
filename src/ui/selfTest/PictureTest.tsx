'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useRef, useState, type PointerEvent } from 'react';
import { sameSpot } from '@/core/selfTest/defects';
import { markKinds, patterns, type Mark, type MarkKind, type Pattern, type SelfRead } from '@/core/selfTest/reads';
import { Button } from '@/ui/base/Button';
import { patternFills, patternSigns } from '@/ui/theme/testPatterns';
import * as texts from '@/words/catalogue/selfTest';
import { FullScreen } from './FullScreen';
import { kindNames, markNames, patternNames } from './kindNames';
import { MarkSign } from './MarkSign';

const Surface = chakra('svg');

/** One full colour after the other; somebody touches what is wrong where it is. */
export function PictureTest({
  onRead,
  onLeave,
}: {
  readonly onRead: (read: SelfRead) => void;
  readonly onLeave: () => void;
}) {
  const [at, setAt] = useState(0);
  const [kind, setKind] = useState<MarkKind>('dot');
  const [marks, setMarks] = useState<readonly Mark[]>([]);
  const [isBarUp, setBarUp] = useState(false);
  const surface = useRef<SVGSVGElement>(null);
  const pattern = patterns[at] as Pattern;
  const own = marks.filter((mark) => mark.pattern === pattern);
  const isLast = at === patterns.length - 1;
  const touch = ({ clientX: x, clientY: y }: PointerEvent) => {
    const hit = own.find((mark) => Math.hypot(mark.x - x, mark.y - y) < sameSpot);
    setMarks(hit ? marks.filter((mark) => mark !== hit) : [...marks, { pattern, kind, x, y }]);
  };
  const goOn = () => {
    if (!isLast) return setAt(at + 1);
    const { width, height } = surface.current?.getBoundingClientRect() ?? { width: 1, height: 1 };
    return onRead({ is: 'picture', width: Math.round(width), height: Math.round(height), shown: patterns, marks });
  };
  return (
    <FullScreen label={kindNames.picture} onLeave={onLeave}>
      <Surface
        ref={surface}
        position="absolute"
        inset="0"
        w="100%"
        h="100%"
        data-pattern={pattern}
        onPointerDown={touch}
      >
        <defs>
          <linearGradient id="ramp">
            <stop offset="0" stopColor={patternFills.black} />
            <stop offset="1" stopColor={patternFills.white} />
          </linearGradient>
        </defs>
        <rect width="100%" height="100%" fill={patternFills[pattern]} />
        {own.map((mark) => (
          <MarkSign key={`${mark.x} ${mark.y}`} kind={mark.kind} x={mark.x} y={mark.y} colour={patternSigns[pattern]} />
        ))}
      </Surface>
      <Box
        position="absolute"
        left="10px"
        right="10px"
        {...(isBarUp ? { top: '10px' } : { bottom: '10px' })}
        bg="sheet"
        borderWidth="1px"
        borderColor="rule"
        borderRadius="soft"
        p="10px"
        display="grid"
        gap="8px"
      >
        <Box display="flex" justifyContent="space-between" gap="10px" alignItems="baseline" flexWrap="wrap">
          <Box fontWeight="700">
            {texts.patternOf({ pattern: patternNames[pattern], at: at + 1, count: patterns.length })}
          </Box>
          <Box textStyle="note" color="inkMuted">
            {texts.touchWhatIsWrong()}
          </Box>
        </Box>
        <Box display="flex" gap="8px" flexWrap="wrap">
          {markKinds.map((own) => (
            <Button
              key={own}
              size="small"
              look={own === kind ? 'outline' : 'quiet'}
              aria-pressed={own === kind}
              onClick={() => setKind(own)}
            >
              {markNames[own]}
            </Button>
          ))}
          <Button size="small" ml="auto" onClick={() => setBarUp(!isBarUp)}>
            {texts.moveBar()}
          </Button>
          <Button size="small" look="action" px="26px" onClick={goOn}>
            {isLast ? texts.finish() : texts.nextPattern()}
          </Button>
        </Box>
      </Box>
    </FullScreen>
  );
}
