'use client';
import { Box } from '@chakra-ui/react';
import type { RulesPreview } from '@/core/rules/previewRules';
import { ruleFields, type RuleChange } from '@/core/rules/ruleFields';
import { Caution } from '@/ui/base/Caution';
import { Section } from '@/ui/base/Section';
import { ruleName, sayRule } from '@/words/say/ruleWords';
import { Refused } from '@/ui/base/Refused';
import * as words from '@/words/catalogue/rules';
import { ProposalTurns, shownTurns, sideOf } from './ProposalTurns';
import type { LookedAt } from '@/ui/server/useLookedAt';

/** What is about to change, and what would change by it: said before anything is saved. */
export function RulesConsequences({
  changes,
  looked,
}: {
  readonly changes: readonly RuleChange[];
  readonly looked: LookedAt<RulesPreview> | null;
}) {
  const preview = looked?.preview;
  return (
    <Section title={words.ifYouSave()} note={changes.length > 0 && words.changesCount({ count: changes.length })}>
      {changes.length === 0 ? (
        <Box color="inkMuted" pt="10px">
          {words.nothingChanged()}
        </Box>
      ) : (
        <Box pt="10px" display="grid" gap="12px" aria-live="polite">
          <Box as="ul" textStyle="note">
            {changes.map((change) => (
              <li key={change.id}>{sayChange(change)}</li>
            ))}
          </Box>
          {!looked && <Box color="inkMuted">{words.computing()}</Box>}
          {looked?.refusal && (
            <Caution what="">
              <Refused refusal={looked.refusal} />
            </Caution>
          )}
          {preview && (
            <>
              <ProposalTurns preview={preview} />
              <ShelfTurns shelf={preview.shelf} />
            </>
          )}
        </Box>
      )}
    </Section>
  );
}

function ShelfTurns({ shelf: { turns, cents } }: Pick<RulesPreview, 'shelf'>) {
  if (turns.length === 0) return null;
  return (
    <>
      <Box textStyle="lead" fontWeight="700">
        {words.regradesHead({ parts: turns.length, worthMore: sideOf(cents), cents: Math.abs(cents) })}
      </Box>
      <Box as="ul" textStyle="note">
        {turns.slice(0, shownTurns).map((turn) => (
          <li key={turn.tag}>{words.regradeLine(turn)}</li>
        ))}
        {turns.length > shownTurns && <li>{words.andMore({ count: turns.length - shownTurns })}</li>}
      </Box>
      <Box textStyle="note" color="inkMuted">
        {words.gradedAsBefore()}
      </Box>
    </>
  );
}

function sayChange({ id, from, to }: RuleChange): string {
  const field = ruleFields.find((each) => each.id === id);
  if (!field) return '';
  return words.changeLine({ name: ruleName(field), from: sayRule(field.kind, from), to: sayRule(field.kind, to) });
}
