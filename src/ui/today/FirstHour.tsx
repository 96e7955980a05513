'use client';
import { Box } from '@chakra-ui/react';
import { CircleCheck, Circle } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import type { FirstHourEntry, FirstHourStep } from '@/core/flow/firstHour';
import { isAtLeastRole, type Role } from '@/core/people/roles';
import { Button, ButtonLink } from '@/ui/base/Button';
import { Headline } from '@/ui/base/Headline';
import { KeyButton } from '@/ui/keys/KeyButton';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/today';

const names: Readonly<Record<FirstHourStep, string>> = {
  'name-shop': words.stepNameShop(),
  'add-people': words.stepAddPeople(),
  'take-models': words.stepTakeModels(),
  'make-parcel': words.stepMakeParcel(),
  'tag-unit': words.stepTagUnit(),
  'decide-unit': words.stepDecideUnit(),
  'take-apart': words.stepTakeApart(),
  'grade-part': words.stepGradePart(),
  'release-unit': words.stepReleaseUnit(),
};

const says: Readonly<Record<FirstHourStep, string>> = {
  'name-shop': words.saysNameShop(),
  'add-people': words.saysAddPeople(),
  'take-models': words.saysTakeModels(),
  'make-parcel': words.saysMakeParcel(),
  'tag-unit': words.saysTagUnit(),
  'decide-unit': words.saysDecideUnit(),
  'take-apart': words.saysTakeApart(),
  'grade-part': words.saysGradePart(),
  'release-unit': words.saysReleaseUnit(),
};

/** From an empty shop to a first unit for sale: ticked off by what was done, and put away when it is no longer wanted. */
export function FirstHour({
  steps,
  role,
  isMain,
}: {
  readonly steps: readonly FirstHourEntry[];
  readonly role: Role;
  /** Whether its next step is the one next thing of the screen. */
  readonly isMain: boolean;
}) {
  const router = useRouter();
  const [isBusy, start] = useTransition();
  const mine = ({ isForLeads }: FirstHourEntry) => isAtLeastRole(role, isForLeads ? 'lead' : 'technician');
  const next = steps.find((entry) => !entry.isDone && mine(entry));
  const putAway = () =>
    start(async () => {
      await send('POST', '/api/put-away', { guide: 'first-hour' });
      router.refresh();
    });
  return (
    <Box as="section" aria-label={words.firstHour()} mb="32px">
      <Headline
        lead={words.firstHourLead()}
        aside={
          <Button size="small" disabled={isBusy} onClick={putAway}>
            {words.putAway()}
          </Button>
        }
      >
        {words.firstHourDone({ done: steps.filter(({ isDone }) => isDone).length, all: steps.length })}
      </Headline>
      <Box as="ol">
        {steps.map((entry) => (
          <Box
            as="li"
            key={entry.step}
            data-step={entry.step}
            data-done={entry.isDone ? 'yes' : 'no'}
            display="flex"
            gap="14px"
            alignItems="center"
            minH="52px"
            py="6px"
            px="14px"
            mx="-14px"
            borderBottomWidth="1px"
            borderColor="rule"
            bg={entry === next ? 'actionSoft' : undefined}
          >
            <Box color={entry.isDone ? 'sound' : 'inkMuted'} flexShrink={0}>
              {entry.isDone ? (
                <CircleCheck size={24} aria-label={words.isDone()} />
              ) : (
                <Circle size={24} aria-label={words.isOpen()} />
              )}
            </Box>
            <Box flex="1" minW="0">
              <Box textStyle="list" color={entry.isDone ? 'inkMuted' : undefined}>
                {names[entry.step]}
              </Box>
              {!entry.isDone && (
                <Box textStyle="note" color="inkMuted">
                  {mine(entry) ? says[entry.step] : words.aLeadDoesThis()}
                </Box>
              )}
            </Box>
            {entry === next ? (
              <KeyButton
                keyName={isMain ? ' ' : 'n'}
                label={words.doThis()}
                look="action"
                aria-label={words.doThisNamed({ name: names[entry.step] })}
                onPress={() => router.push(entry.path)}
              />
            ) : (
              !entry.isDone &&
              mine(entry) && (
                <ButtonLink href={entry.path} size="small" aria-label={words.goToNamed({ name: names[entry.step] })}>
                  {words.goTo()}
                </ButtonLink>
              )
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
