'use client';
import * as counts from '@/words/catalogue/counts';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { Box, chakra } from '@chakra-ui/react';
import { carriedBy, type SheetState } from '@/core/entities/entities';
import { screwLedger } from '@/core/sheet/screwLedger';
import { trayNow } from '@/core/sheet/trayNow';
import type { ReactNode } from 'react';
import { bitInUse } from '@/core/screws/bitInUse';
import { screwsTurned } from '@/core/screws/screwsTurned';
import { discard, type Cup } from '@/core/screws/placeScrews';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import { isDebt } from '@/core/teardown/sheet/gateSteps';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Section } from '@/ui/base/Section';
import { Tag } from '@/ui/base/Tag';
import { KeyButton } from '@/ui/keys/KeyButton';
import { cupRecipe } from '@/ui/theme/recipes/cup';
import { TimerList } from '@/ui/timers/TimerList';
import { useWaits } from '@/ui/timers/TimersProvider';
import { partStateNames, screwTroubleNames } from '@/words/say/names';
import type { BenchProps } from './benchProps';
import { holders, sayGroup } from './sheetWords';
import { StepNotes, StepPhotos } from './LaterPanels';

import * as words from '@/words/catalogue/bench';

const CupBox = chakra('li', cupRecipe);

/** The tray with its active cup, what came free, and what is owed on the way back. */
export function BenchSide({
  unit,
  model,
  shop,
  state,
  sheet,
  step,
  bits,
  person,
  onStray,
  onFound,
  children,
}: BenchProps & {
  readonly state: SheetState;
  readonly sheet: RunSheet;
  readonly step: SheetStep;
  /** A screw lies there, and nobody knows where from. */
  readonly onStray: () => void;
  /** What is to be looked at is not as it should be. */
  readonly onFound: () => void;
  readonly children?: ReactNode;
}) {
  const ledger = screwLedger(sheet.steps, state.doneStepIds, state.screwTroubles);
  const tray = trayNow(sheet, state.doneStepIds, state.screwTroubles);
  const others = useWaits().filter(({ id }) => id !== unit.id);
  // On a rebuild they are among the debts.
  const spoilt = state.kind === 'teardown' ? state.screwTroubles : [];
  const debts = sheet.steps.filter(({ id }) => isDebt(id) && !state.doneStepIds.includes(id));
  const freed = shop.parts.filter((part) => part.unitId === unit.id);
  const sound = freed.filter(({ state: how }) => how === 'sound').length;
  return (
    <Box
      as="aside"
      bg="sheet"
      borderStartWidth="1px"
      borderColor="rule"
      p="16px 18px"
      overflowY="auto"
      display={{ base: 'none', lg: 'flex' }}
      flexDirection="column"
      gap="20px"
      tabIndex={0}
      aria-label={words.trayAndParts()}
    >
      <Section
        title={
          step.cups.length === 0 ? words.noneInThisStep({ keeping: holders[sheet.keeping] }) : holders[sheet.keeping]
        }
        note={words.outIn({ ...ledger })}
      >
        <Box as="ul" display="grid" gridTemplateColumns="repeat(3, 1fr)" gap="6px" pt="10px">
          {sheet.cups.map((cup) => (
            <CupView
              key={`${cup.cup} ${cup.stepId} ${cup.group.jointIds[0]}`}
              cup={cup}
              step={step}
              isFilled={tray.some((held) => held.cup === cup.cup)}
            />
          ))}
        </Box>
        {step.leg !== 'gate' && <BitLines step={step} bits={bits} bench={person.bench} />}
        {sheet.cups.length > 0 && (
          <Box pt="8px">
            <KeyButton keyName="l" label={words.whereDoesLeftOverScrew()} size="small" onPress={onStray} />
          </Box>
        )}
        {sheet.cups.length === 0 && (
          <Box textStyle="note" color="inkMuted" pt="8px">
            {words.noScrewsOnThisSheet()}
          </Box>
        )}
      </Section>
      <StepNotes model={model} step={step} sheet={sheet} onFound={onFound} />
      {step.operationId !== null && (
        <StepPhotos unit={unit} step={step} onTaken={(photo) => shop.act('photo-taken', unit.id, { photo }).ok} />
      )}
      {children}
      {others.length > 0 && (
        <Section title={words.waiting()} note={words.onFixtures()}>
          <TimerList timers={others} />
        </Section>
      )}
      {(spoilt.length > 0 || debts.length > 0) && (
        <Section title={words.owedOnRebuild()} note={counts.things({ count: spoilt.length + debts.length })}>
          {debts.map(({ id, title, minutes }) => (
            <Box key={id} py="6px" ps="10px" mt="8px" borderInlineStartWidth="4px" borderColor="twine" textStyle="note">
              {words.min({ owed: saySheet(title), likely: minutes.likely })}
            </Box>
          ))}
          {spoilt.map((trouble, index) => (
            <Box
              key={index}
              py="6px"
              ps="10px"
              mt="8px"
              borderInlineStartWidth="4px"
              borderColor="twine"
              textStyle="note"
            >
              {words.screwPutNewOneBeside({ count: trouble.count, kind: screwTroubleNames[trouble.kind] })}
            </Box>
          ))}
        </Section>
      )}
      <Section
        title={words.partsFromThisUnit()}
        note={freed.length > 0 ? words.ofOk({ sound, freed: freed.length }) : undefined}
      >
        {freed.length === 0 && (
          <Box textStyle="note" color="inkMuted" pt="8px">
            {words.nothingYet()}
          </Box>
        )}
        <Box as="ul" display="grid" gap="6px" pt="10px">
          {[...freed].reverse().map((part) => {
            const nameOf = (ref: string) => model.parts.find(({ id }) => id === ref)?.name ?? ref;
            const name =
              carriedBy(part).length > 0
                ? words.withParts({ name: nameOf(part.partRef), parts: carriedBy(part).map(nameOf) })
                : nameOf(part.partRef);
            return (
              <li key={part.id}>
                <Tag code={part.tag} fact={part.state === 'sound' ? name : `${name}, ${partStateNames[part.state]}`} />
              </li>
            );
          })}
        </Box>
      </Section>
    </Box>
  );
}

/** What the bits of this step have turned since they were new. */
function BitLines({
  step,
  bits,
  bench,
}: Pick<BenchProps, 'bits'> & { readonly step: SheetStep; readonly bench: string }) {
  return screwsTurned(step.joints).map(({ drive }) => {
    const own = bitInUse(bits, bench, drive);
    return (
      <Box key={drive} textStyle="note" color="inkMuted" pt="8px">
        {words.bitHasTurned({ drive, screws: own?.screws ?? 0, stripped: own?.stripped ?? 0 })}
      </Box>
    );
  });
}

function CupView({
  cup: { cup, group },
  step,
  isFilled,
}: {
  readonly cup: Cup;
  readonly step: SheetStep;
  readonly isFilled: boolean;
}) {
  const isActive = step.cups.some(({ group: own }) => own.jointIds[0] === group.jointIds[0]);
  const look = isActive ? 'active' : isFilled ? 'filled' : 'free';
  return (
    <CupBox state={look}>
      <Box display="flex" justifyContent="space-between" alignItems="baseline">
        <Box as="strong" fontSize="16px">
          {cup === discard ? words.discardCup() : cup}
        </Box>
        <strong>{group.count}×</strong>
      </Box>
      <Box>{sayGroup(group)}</Box>
      <chakra.svg
        visibility={group.kind === 'cap' ? 'hidden' : undefined}
        viewBox="0 0 60 10"
        h="9px"
        w="100%"
        stroke="ink"
        strokeWidth="4"
        fill="none"
        mt="4px"
        opacity={look === 'free' ? 0.4 : 1}
        aria-hidden
      >
        <path d={`M3 0 V10 M3 5 H${8 + (group.lengthMm ?? 2) * 6}`} />
      </chakra.svg>
    </CupBox>
  );
}
