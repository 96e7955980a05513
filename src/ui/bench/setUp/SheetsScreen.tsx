'use client';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import type { SheetKind } from '@/core/teardown/sheet/runSheet';
import type { SheetSummary } from '@/services/bench/readSheets';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Row } from '@/ui/base/Row';
import { Tag } from '@/ui/base/Tag';
import { NextPlace } from '@/ui/line/NextPlace';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { useChosen } from '@/ui/keys/useChosen';
import { sayFixture } from '@/ui/timers/timeLeft';
import * as texts from '@/words/catalogue/bench';
import * as later from '@/words/catalogue/benchLater';

const words = {
  teardown: { waits: later.toTakeApart(), none: later.noDonorsWaiting(), lead: later.unitsDecidedAsDonorsAt() },
  rebuild: {
    waits: later.toRebuild(),
    none: later.noUnitsWaitingToBe(),
    lead: later.unitsAppearHereWhenMatch(),
  },
} as const;

/** Which unit do I take to the bench? Those under way first, with what is left of each. */
export function SheetsScreen({ kind, sheets }: { readonly kind: SheetKind; readonly sheets: readonly SheetSummary[] }) {
  const router = useRouter();
  const { chosen, choose } = useChosen(sheets.map(({ unit }) => unit.id));
  const { shown, ...more } = useGrowing(sheets, ({ unit }) => unit.id === chosen);
  const minutes = sheets.reduce((sum, { minutesLeft }) => sum + minutesLeft.likely, 0);
  const open = (sheet: SheetSummary | undefined) => sheet && router.push(`/bench/${sheet.unit.tag}`);
  useKey('Enter', '', () => open(sheets.find(({ unit }) => unit.id === chosen)));
  return (
    <Box p="28px" maxW="1180px">
      <Headline
        lead={sheets.length === 0 ? words[kind].lead : later.aboutWorkWorkInProgress({ minutesValue: minutes })}
      >
        {sheets.length === 0 ? words[kind].none : later.noUnits({ sheets: sheets.length, waits: words[kind].waits })}
      </Headline>
      {sheets.length === 0 && (
        <>
          <Nothing>{later.nothingToDoHereNow()}</Nothing>
          <NextPlace stage={kind === 'teardown' ? 'triage' : 'match'} />
        </>
      )}
      <Box as="ul">
        {shown.map((sheet) => {
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
                      {later.next({ step: saySheet(sheet.next) })}
                    </Box>
                  )}
                </Box>
                <Box textStyle="note" color="inkMuted">
                  {sheet.wanted.length > 0
                    ? later.forIts({ isKindTeardown: kind === 'teardown' ? 'yes' : 'no', wanted: sheet.wanted })
                    : later.noPartsPickedYet()}
                </Box>
              </Box>
              <Box w="150px" flexShrink={0} textAlign="end">
                <Box fontWeight="700">
                  {texts.toMin({ low: Math.round(sheet.minutesLeft.low), high: Math.round(sheet.minutesLeft.high) })}
                </Box>
                <Box textStyle="note" color="inkMuted">
                  {later.ofSteps({
                    timer: sheet.unit.timer && `${sayFixture(sheet.unit.timer)} · `,
                    done: sheet.done,
                    steps: sheet.steps,
                  })}
                </Box>
              </Box>
              {isChosen ? (
                <KeyButton
                  keyName=" "
                  label={later.continueWord({ isSheetDone: sheet.done > 0 ? 'yes' : 'no' })}
                  look="action"
                  w="156px"
                  onPress={() => open(sheet)}
                />
              ) : (
                <Box w="156px" />
              )}
            </Row>
          );
        })}
      </Box>
      <MoreRows {...more} />
    </Box>
  );
}
