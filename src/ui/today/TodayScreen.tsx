'use client';
import { minutes as sayMinutes } from '@/words/format';
import { say as sayToday } from '@/words/catalogue/core/today';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import type { Job } from '@/core/flow/planToday';
import type { TodayView } from '@/services/today/readToday';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { Tag } from '@/ui/base/Tag';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { useChosen } from '@/ui/keys/useChosen';
import { FactList } from './FactList';
import { ParcelStrip } from './ParcelStrip';
import * as words from '@/words/catalogue/today';

const shownJobs = 7;

/** What needs me now? The run list, the parcels in work, and what the others just did. */
export function TodayScreen({ jobs, parcels, facts }: TodayView) {
  const shown = jobs.slice(0, shownJobs);
  const minutes = jobs.reduce((sum, job) => sum + job.minutes, 0);
  const { chosen } = useChosen(shown.map(({ id }) => id));
  return (
    <Box display="grid" gridTemplateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 400px' }} gap="28px" p="28px">
      <Box minW="0">
        <Headline
          lead={words.firstAreShownWorkIn({
            isJobsShownJobs: jobs.length > shownJobs ? 'yes' : 'no',
            shownJobs,
          })}
        >
          {jobs.length === 0
            ? words.nothingToDoRightNow()
            : words.noJobsAboutWork({ jobs: jobs.length, minutesValue: minutes })}
        </Headline>
        {jobs.length === 0 && <Nothing>{words.addParcelAtDockOr()}</Nothing>}
        <Box as="ul">
          {shown.map((job, index) => (
            <JobRow key={job.id} job={job} place={index} isChosen={job.id === chosen} />
          ))}
        </Box>
      </Box>
      <Box>
        <Section title={words.parcelsInProgress()} note={words.unitsByOutcome()}>
          {parcels.length === 0 && <Nothing>{words.noParcelsYet()}</Nothing>}
          {parcels.map((progress) => (
            <ParcelStrip key={progress.parcel.id} {...progress} />
          ))}
        </Section>
        <Section title={words.justNow()} note={words.atAllBenches()} mt="24px">
          <FactList facts={facts} />
        </Section>
      </Box>
    </Box>
  );
}

function JobRow({ job, place, isChosen }: { readonly job: Job; readonly place: number; readonly isChosen: boolean }) {
  const router = useRouter();
  const open = () => router.push(job.path);
  const titleId = `job-${job.id}`;
  useKey(isChosen ? ' ' : undefined, isChosen ? words.open({ title: sayToday(job.title) }) : '', open);
  useKey(isChosen ? 'Enter' : undefined, '', open);
  return (
    <Row state={isChosen ? 'chosen' : 'plain'} minH="66px" mx="-14px" w="calc(100% + 28px)">
      <Box w="74px" flexShrink={0}>
        <Box textStyle="section" fontSize="17px">
          {place === 0 ? 'now' : sayMinutes(job.minutes)}
        </Box>
        {place === 0 && (
          <Box textStyle="caption" color="inkMuted">
            {sayMinutes(job.minutes)}
          </Box>
        )}
      </Box>
      <Box w="122px" flexShrink={0}>
        {job.tag ? <Tag code={job.tag} href={`/t/${job.tag}`} /> : null}
      </Box>
      <Box flex="1" minW="0">
        <Box id={titleId} textStyle="list" overflow="hidden" textOverflow="ellipsis">
          {sayToday(job.title)}
        </Box>
        <Box textStyle="note" color="inkMuted">
          {sayToday(job.because)}
        </Box>
      </Box>
      <KeyButton
        keyName={String(place + 1)}
        label={words.open2()}
        look={isChosen ? 'action' : 'outline'}
        w="124px"
        onPress={open}
        aria-describedby={titleId}
      />
    </Row>
  );
}
