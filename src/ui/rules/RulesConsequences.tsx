'use client';
import { Box } from '@chakra-ui/react';
import { ruleFields, type RuleChange } from '@/core/rules/ruleFields';
import { Caution } from '@/ui/base/Caution';
import { Section } from '@/ui/base/Section';
import { dispositionNames } from '@/words/say/names';
import { ruleWords, sayRule } from '@/words/say/ruleWords';
import { sayRefusal } from '@/words/say/sentences';
import * as words from '@/words/catalogue/rules';
import type { Looked } from './useRulesDraft';

const shownTurns = 8;

/** What is about to change, and what would change by it: said before anything is saved. */
export function RulesConsequences({
  changes,
  looked,
}: {
  readonly changes: readonly RuleChange[];
  readonly looked: Looked | null;
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
          {looked?.refusal && <Caution what="">{sayRefusal(looked.refusal)}</Caution>}
          {preview && (
            <>
              <Box textStyle="lead" fontWeight="700">
                {words.turnsHead({
                  turns: preview.turns.length,
                  worthMore: sideOf(preview.toCents - preview.fromCents),
                  cents: Math.abs(preview.toCents - preview.fromCents),
                })}
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
              </Box>
              <Box textStyle="note" color="inkMuted">
                {words.keptAsDecided()}
              </Box>
            </>
          )}
        </Box>
      )}
    </Section>
  );
}

const sideOf = (cents: number): 'more' | 'less' | 'same' => (cents > 0 ? 'more' : cents < 0 ? 'less' : 'same');

function sayChange({ id, from, to }: RuleChange): string {
  const kind = ruleFields.find((field) => field.id === id)?.kind ?? { is: 'text' };
  return words.changeLine({ name: ruleWords[id].name, from: sayRule(kind, from), to: sayRule(kind, to) });
}
