'use client';
import { Box, chakra } from '@chakra-ui/react';
import type { SelfRead, SelfTestKind } from '@/core/selfTest/reads';
import { Button } from '@/ui/base/Button';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { clock, moment } from '@/words/format';
import { sayRead } from '@/words/say/sayRead';
import * as texts from '@/words/catalogue/selfTest';
import { kindNames } from './kindNames';
import { ReadDrawing } from './ReadDrawing';
import { useSelfReads } from './useSelfReads';

const Code = chakra('img', { base: { w: '132px', h: '132px', flexShrink: 0 } });

interface SelfTestProps {
  readonly unitId: string;
  /** Tag of the part that is read; null for the unit's own tests. */
  readonly part: string | null;
  readonly version: number;
  readonly asked: readonly SelfTestKind[];
  /** Takes what the unit read before a part came out of it as readings of the part. */
  readonly onUse?: (read: SelfRead) => void;
}

const keyName = 'v';

/** At the bench: the code of the page on a unit, and what the unit read off itself, as it comes; nothing where no page can read. */
export function SelfTestSection(props: SelfTestProps) {
  return props.asked.length > 0 ? <SelfTests {...props} /> : null;
}

function SelfTests({ unitId, part, version, asked, onUse }: SelfTestProps) {
  const { view, refusal, open, end } = useSelfReads(unitId, part, version);
  const reads = (view?.reads ?? []).filter(({ read }) => asked.includes(read.is));
  // Nothing but a button where nothing is open and nothing was read: it takes no room from what is looked at first.
  if (!view?.page && reads.length === 0)
    return (
      <Box display="grid" gap="8px" justifyItems="start">
        <RefusalAlert refusal={refusal} />
        <KeyButton
          records
          keyName={keyName}
          label={part === null ? texts.testInUnit() : texts.readInFrame()}
          size="small"
          onPress={open}
        />
      </Box>
    );
  return (
    <Section title={part === null ? texts.testInUnit() : texts.readInFrame()}>
      <Box pt="12px" display="grid" gap="12px">
        <RefusalAlert refusal={refusal} />
        {view?.page && view.address ? (
          <Box display="flex" gap="18px" flexWrap="wrap" alignItems="flex-start">
            <Code src={`data:image/svg+xml,${encodeURIComponent(view.address.qr)}`} alt={texts.orScan()} />
            <Box flex="1" minW="220px" display="grid" gap="6px">
              <Box>
                {part === null ? texts.openOnUnit() : texts.openOnFrame()}{' '}
                <Box as="span" textStyle="code">
                  {view.address.text}
                </Box>{' '}
                {texts.andEnter()}
              </Box>
              <Box textStyle="figure" letterSpacing="0.14em" data-code={view.page.code}>
                {view.page.code}
              </Box>
              <Box color="inkMuted">{texts.orScan()}</Box>
              <Box role="status" fontWeight="600">
                {view.page.openedAt === null ? texts.notOpenedYet() : texts.openedAt({ at: clock(view.page.openedAt) })}
              </Box>
              <Box textStyle="caption" color="inkMuted">
                {texts.holdsTwoHours({ name: view.page.madeBy })}
              </Box>
              <Box>
                <KeyButton records keyName={keyName} label={texts.endPage()} size="small" onPress={end} />
              </Box>
            </Box>
          </Box>
        ) : (
          <Box>
            <KeyButton records keyName={keyName} label={texts.openPage()} size="small" look="outline" onPress={open} />
          </Box>
        )}
        {reads.map(({ read, at, person }) => (
          <Box key={read.is} display="flex" gap="14px" alignItems="center">
            <ReadDrawing read={read} />
            <Box minW="0">
              <Box fontWeight="600">{kindNames[read.is]}</Box>
              <Box>{sayRead(read)}</Box>
              <Box textStyle="caption" color="inkMuted">
                {texts.readBy({ at: moment(at), person })}
              </Box>
              {onUse && (
                <Button size="small" mt="6px" onClick={() => onUse(read)}>
                  {texts.useRead()}
                </Button>
              )}
            </Box>
          </Box>
        ))}
      </Box>
    </Section>
  );
}
