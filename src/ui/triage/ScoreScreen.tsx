'use client';
import * as counts from '@/words/catalogue/counts';
import { money, signedMoney } from '@/words/format';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import type { JudgedRow as Row, ProposalRecord } from '@/services/triage/readScore';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Habits } from './Habits';
import { RangeBar } from '@/ui/base/RangeBar';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { Section } from '@/ui/base/Section';
import { Table } from '@/ui/base/Table';
import { Tag } from '@/ui/base/Tag';
import { KeyButton } from '@/ui/keys/KeyButton';
import { dispositionNames } from '@/words/say/names';
import * as words from '@/words/catalogue/triage';

/** How did the proposals do, and who was right where they were overruled? From what became of the units. */
export function ScoreScreen({ score }: { readonly score: ProposalRecord }) {
  const router = useRouter();
  const { decided, followed, judged, held, overruled, habits } = score;
  const { shown, ...more } = useGrowing(judged);
  return (
    <Box p="24px 28px" maxW="1240px">
      <Headline
        lead={decided === 0 ? words.decideAboutUnitAtTriage() : sayJudged(score)}
        aside={<KeyButton keyName="Escape" label={words.backToTriage()} onPress={() => router.push('/triage')} />}
      >
        {words.noProposalsYet({ decided, followed })}
      </Headline>
      {judged.length === 0 ? (
        <Nothing>{words.unitCountsOnceReleasedFor()}</Nothing>
      ) : (
        <Box display="grid" gridTemplateColumns="minmax(0, 1fr)" gap="28px">
          <Box display="grid" gridTemplateColumns="repeat(auto-fit, minmax(170px, 1fr))" gap="28px">
            <Figure
              title={words.rangesThatHeld()}
              value={counts.ofAll({ count: held, all: judged.length })}
              note={words.n80Promise()}
            />
            <Figure
              title={words.moneyAgainstExpectation()}
              value={signedMoney(score.meanErrorCents)}
              note={words.perUnitOverAllOutcomes()}
            />
            <Figure
              title={words.whereWasOverruled()}
              value={overruled.judged === 0 ? words.noneJudged() : signedMoney(overruled.gainCents)}
              note={
                overruled.judged === 0
                  ? words.noOverruledUnitHasFinished()
                  : words.personWasRightTimes({ personRight: overruled.personRight, judged: overruled.judged })
              }
            />
          </Box>
          {overruled.judged > 0 && <Habits habits={habits} />}
          <Section title={words.furthestFromExpectationFirst()}>
            <ScrollBox label={words.furthestFromExpectationFirst()} overflowX="auto">
              <Table>
                <thead>
                  <tr>
                    <th>{words.unit()}</th>
                    <th>{words.proposed()}</th>
                    <th>{words.done()}</th>
                    <th data-figure>{words.expected()}</th>
                    <th>{words.n80RangeAndOutcome()}</th>
                    <th data-figure>{words.outcome()}</th>
                    <th>{words.whoWasRight()}</th>
                  </tr>
                </thead>
                <tbody>
                  {shown.map((entry) => (
                    <JudgedRow key={entry.tag} entry={entry} />
                  ))}
                </tbody>
              </Table>
            </ScrollBox>
            <MoreRows {...more} />
          </Section>
        </Box>
      )}
    </Box>
  );
}

function JudgedRow({ entry }: { readonly entry: Row }) {
  const { tag, name, proposed, chosen, expected, actualCents, isHeld, byCents } = entry;
  const scale = {
    low: Math.min(0, expected.lowCents, actualCents),
    high: Math.max(1, expected.highCents, actualCents),
  };
  return (
    <tr>
      <td>
        <Tag code={tag} fact={name} href={`/t/${tag}`} />
      </td>
      <td>{dispositionNames[proposed]}</td>
      <td>{chosen === proposed ? words.theSame() : <strong>{dispositionNames[chosen]}</strong>}</td>
      <td data-figure>{money(expected.cents)}</td>
      <td>
        <RangeBar
          low={expected.lowCents}
          best={actualCents}
          high={expected.highCents}
          scale={scale}
          tone={isHeld ? 'action' : 'ink'}
        />
      </td>
      <td data-figure>{money(actualCents)}</td>
      <td>
        {chosen === proposed
          ? words.withinRange({
              isHeld: isHeld ? 'yes' : 'no',
              isExpectedLowCents: actualCents < expected.lowCents ? 'yes' : 'no',
            })
          : words.personBy({ isByCents: byCents > 0 ? 'yes' : 'no', byCents: Math.abs(byCents) })}
      </td>
    </tr>
  );
}

function Figure({ title, value, note }: { readonly title: string; readonly value: string; readonly note: string }) {
  return (
    <Section title={title}>
      <Box textStyle="figure" fontSize="30px" pt="8px">
        {value}
      </Box>
      <Box textStyle="note" color="inkMuted">
        {note}
      </Box>
    </Section>
  );
}

function sayJudged({ judged, held, overruled }: Pick<ProposalRecord, 'judged' | 'held' | 'overruled'>): string {
  if (judged.length === 0) return words.noUnitHasFinishedYet();
  const ranges = words.rangeHeldTimes({ held, judged: judged.length });
  if (overruled.judged === 0) return `${ranges}.`;
  const by = words.gained({ cents: Math.abs(overruled.gainCents), isGain: overruled.gainCents >= 0 ? 'yes' : 'no' });
  return words.whenOverruledPersonWasRight({
    ranges,
    personRight: overruled.personRight,
    judged: overruled.judged,
    by,
  });
}
