'use client';
import { Box } from '@chakra-ui/react';
import { inGb, type Urgency, type Verdict } from '@/core/machine/judgeMachine';
import type { MachineState } from '@/core/machine/machineState';
import type { MachineView } from '@/services/machine/readMachine';
import { Headline } from '@/ui/base/Headline';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { LeadPages } from '@/ui/line/LeadPages';
import { moment, share } from '@/words/format';
import { say } from '@/words/catalogue/core/machine';
import * as words from '@/words/catalogue/machine';
import { UrgencyMark } from './UrgencyMark';

const mb = 1_000_000;

/** Is the shop safe on this machine, and what has to be done so that it stays so? */
export function MachineScreen({ state, verdicts }: MachineView) {
  const count = (urgency: Urgency) => verdicts.filter((verdict) => verdict.urgency === urgency).length;
  const [now, soon] = [count('now'), count('soon')];
  return (
    <Box p="20px 28px" maxW="1080px">
      <LeadPages />
      <Headline lead={words.asOf({ at: moment(state.at) })}>
        {now > 0 ? words.doNow({ count: now }) : soon > 0 ? words.doSoon({ count: soon }) : words.allIsWell()}
      </Headline>
      <Section title={words.whatItNeeds()}>
        <Box as="ul">
          {verdicts.map((verdict, at) => (
            <VerdictLine key={`${verdict.about} ${at}`} verdict={verdict} />
          ))}
        </Box>
      </Section>
      <Section title={words.figures()} mt="28px">
        <Box as="dl" display="grid" gridTemplateColumns={{ base: '1fr', md: '1fr 1fr' }} columnGap="36px">
          {figuresOf(state).map(([name, value, part]) => (
            <Figure key={name} name={name} value={value} part={part} />
          ))}
        </Box>
      </Section>
      <Box textStyle="note" color="inkMuted" mt="20px" maxW="80ch">
        {words.programsAsk()}
      </Box>
    </Box>
  );
}

function VerdictLine({ verdict: { urgency, says, mend } }: { readonly verdict: Verdict }) {
  return (
    <Row py="10px" alignItems="flex-start" gap="14px" data-urgency={urgency}>
      <UrgencyMark urgency={urgency} />
      <Box flex="1" minW="0">
        <Box textStyle="list" fontWeight={urgency === 'fine' ? '400' : '600'} overflowWrap="anywhere">
          {say(says)}
        </Box>
        {mend && <Box color="inkMuted">{say(mend)}</Box>}
      </Box>
    </Row>
  );
}

type FigureRow = readonly [name: string, value: string, part: number | null];

function figuresOf({ room, shop, backup, uncounted, waiting }: MachineState): readonly FigureRow[] {
  const kept = typeof backup === 'object' ? backup : null;
  return [
    ...(room
      ? [
          [
            words.disk(),
            words.gbOf({ free: inGb(room.freeBytes), total: inGb(room.totalBytes) }),
            1 - room.freeBytes / room.totalBytes,
          ] as const,
        ]
      : []),
    ...(kept?.room && !kept.isSameDisk
      ? [
          [
            words.backupDisk(),
            words.gbOf({ free: inGb(kept.room.freeBytes), total: inGb(kept.room.totalBytes) }),
            1 - kept.room.freeBytes / kept.room.totalBytes,
          ] as const,
        ]
      : []),
    [words.shopSize(), words.mb({ size: Math.round(shop.bytes / mb) }), null],
    [words.factsInLog(), words.count({ count: shop.facts }), null],
    [words.factsADay(), words.count({ count: Math.round(shop.factsPerDay) }), null],
    ...(kept?.newest
      ? [[words.backupSize(), words.mb({ size: Math.round(kept.newest.bytes / mb) }), null] as const]
      : []),
    [words.uncounted(), words.count({ count: uncounted }), null],
    [words.waiting(), words.count({ count: waiting }), null],
  ];
}

function Figure({
  name,
  value,
  part,
}: {
  readonly name: string;
  readonly value: string;
  readonly part: number | null;
}) {
  return (
    <Box display="flex" alignItems="center" gap="12px" minH="46px" borderBottomWidth="1px" borderColor="rule">
      <Box as="dt" flex="1" color="inkMuted">
        {name}
      </Box>
      <Box as="dd" m="0" display="flex" alignItems="center" gap="12px" fontWeight="600">
        {part !== null && (
          <Box w="120px" h="10px" bg="sunk" borderRadius="full" overflow="hidden" role="img" aria-label={share(part)}>
            <Box h="100%" w={`${Math.round(part * 100)}%`} bg={part > 0.9 ? 'danger' : 'action'} />
          </Box>
        )}
        <span>{value}</span>
      </Box>
    </Box>
  );
}
