import { Box } from '@chakra-ui/react';
import type { ProposalsPreview } from '@/core/rules/previewRules';
import { dispositionNames } from '@/words/say/names';
import * as words from '@/words/catalogue/rules';

/** More lines than this are counted. */
export const shownTurns = 8;

export const sideOf = (cents: number): 'more' | 'less' | 'same' => (cents > 0 ? 'more' : cents < 0 ? 'less' : 'same');

/** What would be proposed otherwise for the units at Triage, and by how much money. */
export function ProposalTurns({ preview }: { readonly preview: ProposalsPreview }) {
  const cents = preview.toCents - preview.fromCents;
  return (
    <>
      <Box textStyle="lead" fontWeight="700">
        {words.turnsHead({ turns: preview.turns.length, worthMore: sideOf(cents), cents: Math.abs(cents) })}
      </Box>
      <Box textStyle="note" color="inkMuted">
        {words.worthOf({ units: preview.units, fromCents: preview.fromCents })}
      </Box>
      <Box as="ul" textStyle="note">
        {preview.turns.slice(0, shownTurns).map(({ tag, from, to }) => (
          <li key={tag}>
            {words.turnLine({
              tag,
              from: dispositionNames[from.disposition],
              to: dispositionNames[to.disposition],
            })}
          </li>
        ))}
        {preview.turns.length > shownTurns && <li>{words.andMore({ count: preview.turns.length - shownTurns })}</li>}
      </Box>
      <Box textStyle="note" color="inkMuted">
        {words.keptAsDecided()}
      </Box>
    </>
  );
}
