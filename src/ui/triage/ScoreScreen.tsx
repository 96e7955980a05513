'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { money } from '@/core/shared/money';
import type { Judged, ProposalScore } from '@/core/triage/scoreProposals';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { RangeBar } from '@/ui/base/RangeBar';
import { Section } from '@/ui/base/Section';
import { Table } from '@/ui/base/Table';
import { Tag } from '@/ui/base/Tag';
import { KeyButton } from '@/ui/keys/KeyButton';
import { dispositionNames } from '@/ui/words/names';

const shown = 40;

/** How did the proposals do, and who was right where they were overruled? From what became of the units. */
export function ScoreScreen({ score }: { readonly score: ProposalScore }) {
  const router = useRouter();
  const { decided, followed, judged, held, overruled } = score;
  return (
    <Box p="24px 28px" maxW="1240px">
      <Headline
        lead={
          decided === 0
            ? 'Decide about a unit at Triage, and its proposal is held to what the unit brings.'
            : sayJudged(score)
        }
        aside={<KeyButton keyName="Escape" label="Back to triage" onPress={() => router.push('/triage')} />}
      >
        {decided === 0 ? 'No proposal was made yet' : `The proposal was followed ${followed} of ${decided} times`}
      </Headline>
      {judged.length === 0 ? (
        <Nothing>A unit is judged when it is released for sale, or when all its parts are graded.</Nothing>
      ) : (
        <Box display="grid" gap="28px">
          <Box display="grid" gridTemplateColumns="repeat(3, minmax(0, 1fr))" gap="28px">
            <Figure
              title="Ranges that held"
              value={`${held} of ${judged.length}`}
              note="8 of 10 is what they promise"
            />
            <Figure
              title="Money against what was expected"
              value={signed(score.meanErrorCents)}
              note="a unit, over all that are judged"
            />
            <Figure
              title="Where it was overruled"
              value={overruled.judged === 0 ? 'none judged' : signed(overruled.gainCents)}
              note={
                overruled.judged === 0
                  ? 'nobody has overruled it to an end yet'
                  : `the person was right ${overruled.personRight} of ${overruled.judged} times`
              }
            />
          </Box>
          <Section
            title="Furthest from what was expected first"
            note={judged.length > shown ? `${shown} of ${judged.length}` : undefined}
          >
            <Table>
              <thead>
                <tr>
                  <th>Unit</th>
                  <th>Proposed</th>
                  <th>Done</th>
                  <th data-figure>Expected</th>
                  <th>80 % range, and what it brought</th>
                  <th data-figure>Brought</th>
                  <th>Who was right</th>
                </tr>
              </thead>
              <tbody>
                {judged.slice(0, shown).map((entry) => (
                  <JudgedRow key={entry.tag} entry={entry} />
                ))}
              </tbody>
            </Table>
          </Section>
        </Box>
      )}
    </Box>
  );
}

function JudgedRow({ entry }: { readonly entry: Judged }) {
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
      <td>{chosen === proposed ? 'the same' : <strong>{dispositionNames[chosen]}</strong>}</td>
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
          ? isHeld
            ? 'it held'
            : actualCents < expected.lowCents
              ? 'less than it said'
              : 'more than it said'
          : `${byCents > 0 ? 'the person' : 'the proposal'}, by ${money(Math.abs(byCents))}`}
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

const signed = (cents: number): string => `${cents >= 0 ? '+ ' : '− '}${money(Math.abs(cents))}`;

function sayJudged({ judged, held, overruled }: ProposalScore): string {
  if (judged.length === 0) return 'What the units brought is not known yet.';
  const ranges = `Its range held ${held} of ${judged.length} times`;
  if (overruled.judged === 0) return `${ranges}.`;
  const by = `${money(Math.abs(overruled.gainCents))} ${overruled.gainCents >= 0 ? 'gained' : 'lost'}`;
  return `${ranges}. Overruled, the person was right ${overruled.personRight} of ${overruled.judged} times, ${by} in all.`;
}
