'use client';
import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import type { Job } from '@/core/flow/planToday';
import { latelyDays, type StageFlow } from '@/core/flow/slowestStage';
import type { Verdict } from '@/core/machine/judgeMachine';
import type { Role } from '@/core/people/roles';
import { shopDay } from '@/core/shared/shopDay';
import type { LastActor } from '@/data/flow/lastActors';
import type { TodayView } from '@/services/today/readToday';
import { Caution } from '@/ui/base/Caution';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { Tag } from '@/ui/base/Tag';
import { NextPlace } from '@/ui/line/NextPlace';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { rowKeys } from '@/ui/keys/rowKeys';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import { useChosen } from '@/ui/keys/useChosen';
import { say as sayMachine } from '@/words/catalogue/core/machine';
import { say as sayToday } from '@/words/catalogue/core/today';
import * as words from '@/words/catalogue/today';
import { clock, minutes as sayMinutes, shortDay } from '@/words/format';
import { lineStageNames } from '@/words/say/names';
import { FactList } from './FactList';
import { FirstHour } from './FirstHour';
import { ParcelStrip } from './ParcelStrip';

/** Keys of the jobs; `n` is the next step of the first hour. */
const keys = rowKeys('n');

/** What needs me now? Every job, the parcels in work, and what the others just did. */
export function TodayScreen({
  jobs,
  inHand,
  today,
  tight,
  parcels,
  facts,
  firstHour,
  role,
  pressing,
}: TodayView & {
  readonly role: Role;
  /** What a lead has to do for the machine now. */
  readonly pressing: readonly Verdict[];
}) {
  const minutes = jobs.reduce((sum, job) => sum + job.minutes, 0);
  const { chosen } = useChosen(jobs.map(({ id }) => id));
  const { shown, ...more } = useGrowing(jobs, ({ id }) => id === chosen);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 400px' }}
      gap="28px"
      p="28px"
    >
      <Box minW="0">
        {pressing.length > 0 && (
          <Box mb="16px">
            <Caution what={pressing.map(({ says }) => sayMachine(says)).join(' ')}>
              <Link href="/machine" prefetch={false}>
                <Box as="span" textDecoration="underline" fontWeight="600">
                  {words.lookAtMachine()}
                </Box>
              </Link>
            </Caution>
          </Box>
        )}
        {firstHour && <FirstHour steps={firstHour} role={role} isMain={jobs.length === 0} />}
        {(jobs.length > 0 || !firstHour) && (
          <Headline lead={tight ? sayTight(tight) : jobs.length > 0 && words.workInProgressFirst()}>
            {jobs.length === 0
              ? words.nothingToDoRightNow()
              : words.noJobsAboutWork({ jobs: jobs.length, minutesValue: minutes })}
          </Headline>
        )}
        {jobs.length === 0 && !firstHour && (
          <>
            <Nothing>{words.addParcelAtDockOr()}</Nothing>
            <NextPlace stage="dock" />
          </>
        )}
        <Box as="ul" aria-label={words.jobs()}>
          {shown.map((job, index) => (
            <JobRow
              key={job.id}
              job={job}
              keyName={keys[index]}
              isChosen={job.id === chosen}
              today={today}
              holder={inHand.find(({ unitId }) => unitId === job.id)}
            />
          ))}
        </Box>
        <MoreRows {...more} />
      </Box>
      <Box>
        <Section title={words.parcelsInProgress()} note={words.unitsByOutcome()}>
          {parcels.length === 0 && <Nothing>{words.noParcelsYet()}</Nothing>}
          {parcels.map((progress) => (
            <ParcelStrip key={progress.parcel.id} {...progress} />
          ))}
        </Section>
        <Section
          title={words.justNow()}
          note={
            <Link href="/history" prefetch={false}>
              <Box as="span" color="action" textDecoration="underline">
                {words.wholeHistory()}
              </Box>
            </Link>
          }
          mt="24px"
        >
          <FactList facts={facts} />
        </Section>
      </Box>
    </Box>
  );
}

/** Why the line is pulled tight where it is. */
const sayTight = ({ stage, waiting, passed }: StageFlow): string =>
  words.tightBecause({ stage: lineStageNames[stage], waiting, passed, days: latelyDays });

/** The time of day, or the day where that is another. */
const since = (at: string, today: string, timeZone: string): string =>
  shopDay(at, timeZone) === today ? clock(at) : shortDay(at);

function JobRow({
  job,
  keyName,
  isChosen,
  holder,
  today,
}: {
  readonly job: Job;
  readonly keyName: string | undefined;
  readonly isChosen: boolean;
  readonly holder: LastActor | undefined;
  readonly today: string;
}) {
  const router = useRouter();
  const { timeZone } = useHouseRules().shop;
  const open = () => router.push(job.path);
  const titleId = `job-${job.id}`;
  useKey(isChosen ? ' ' : undefined, isChosen ? words.open({ title: sayToday(job.title) }) : '', open);
  useKey(isChosen ? 'Enter' : undefined, '', open);
  return (
    <Row
      state={isChosen ? 'chosen' : 'plain'}
      minH="60px"
      mx="-14px"
      w="calc(100% + 28px)"
      flexWrap={{ base: 'wrap', sm: 'nowrap' }}
    >
      <Box w="112px" flexShrink={0}>
        {job.tag ? <Tag code={job.tag} href={`/t/${job.tag}`} /> : null}
      </Box>
      <Box flex={{ base: '1 0 100%', sm: '1' }} order={{ base: -1, sm: 0 }} minW="0">
        <Box id={titleId} textStyle="list" overflow="hidden" textOverflow="ellipsis">
          {sayToday(job.title)}
        </Box>
        <Box textStyle="note" color="inkMuted">
          {words.becauseAndMinutes({ because: sayToday(job.because), minutesValue: sayMinutes(job.minutes) })}
          {holder && (
            <Box as="strong" fontWeight="600" color="ink">
              {words.inHandOf({ name: holder.name, bench: holder.benchName, since: since(holder.at, today, timeZone) })}
            </Box>
          )}
        </Box>
      </Box>
      <KeyButton
        keyName={keyName}
        label={words.open2()}
        look={isChosen ? 'action' : 'outline'}
        w="112px"
        onPress={open}
        aria-describedby={titleId}
      />
    </Row>
  );
}
