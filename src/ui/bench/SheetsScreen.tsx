'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import type { SheetKind } from '@/core/teardown/sheet/runSheet';
import type { SheetSummary } from '@/services/bench/readSheets';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Row } from '@/ui/base/Row';
import { Tag } from '@/ui/base/Tag';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { useChosen } from '@/ui/keys/useChosen';
import { sayFixture } from '@/ui/timers/timeLeft';
import { sayList, sayMinutes, startCount } from '@/ui/words/amounts';

const words = {
  teardown: { waits: 'to take apart', none: 'No donor waits', lead: 'Units decided as donors at triage come here.' },
  rebuild: {
    waits: 'to rebuild',
    none: 'No unit waits for its rebuild',
    lead: 'Units come here when Match has set their parts aside.',
  },
} as const;

/** Which unit do I take to the bench? Those under way first, with what is left of each. */
export function SheetsScreen({ kind, sheets }: { readonly kind: SheetKind; readonly sheets: readonly SheetSummary[] }) {
  const router = useRouter();
  const { chosen, choose } = useChosen(sheets.map(({ unit }) => unit.id));
  const minutes = sheets.reduce((sum, { minutesLeft }) => sum + minutesLeft.likely, 0);
  const open = (sheet: SheetSummary | undefined) => sheet && router.push(`/bench/${sheet.unit.tag}`);
  useKey('Enter', '', () => open(sheets.find(({ unit }) => unit.id === chosen)));
  return (
    <Box p="28px" maxW="1180px">
      <Headline
        lead={
          sheets.length === 0
            ? words[kind].lead
            : `About ${sayMinutes(minutes)} of work. What is under way comes first.`
        }
      >
        {sheets.length === 0 ? words[kind].none : `${startCount(sheets.length, 'unit')} ${words[kind].waits}`}
      </Headline>
      {sheets.length === 0 && <Nothing>Nothing to do here now.</Nothing>}
      <Box as="ul">
        {sheets.map((sheet) => {
          const isChosen = sheet.unit.id === chosen;
          return (
            <Row
              key={sheet.unit.id}
              state={isChosen ? 'chosen' : 'plain'}
              minH="74px"
              onClick={() => choose(sheet.unit.id)}
            >
              <Box w="128px" flexShrink={0}>
                <Tag code={sheet.unit.tag} href={`/t/${sheet.unit.tag}`} />
              </Box>
              <Box flex="1" minW="0">
                <Box textStyle="list">
                  {sheet.modelName}
                  {sheet.done > 0 && (
                    <Box as="span" color="inkMuted">
                      {' '}
                      · next: {sheet.next.toLowerCase()}
                    </Box>
                  )}
                </Box>
                <Box textStyle="note" color="inkMuted">
                  {sheet.wanted.length > 0
                    ? `${kind === 'teardown' ? 'for its' : 'gets another'} ${sayList(sheet.wanted)}`
                    : 'no part is wanted yet'}
                </Box>
              </Box>
              <Box w="150px" flexShrink={0} textAlign="end">
                <Box fontWeight="700">
                  {Math.round(sheet.minutesLeft.low)} to {Math.round(sheet.minutesLeft.high)} min
                </Box>
                <Box textStyle="note" color="inkMuted">
                  {sheet.unit.timer && `${sayFixture(sheet.unit.timer)} · `}
                  {sheet.done} of {sheet.steps} steps
                </Box>
              </Box>
              {isChosen ? (
                <KeyButton
                  keyName=" "
                  label={sheet.done > 0 ? 'Go on' : 'Take it'}
                  look="action"
                  w="136px"
                  onPress={() => open(sheet)}
                />
              ) : (
                <Box w="136px" />
              )}
            </Row>
          );
        })}
      </Box>
    </Box>
  );
}
