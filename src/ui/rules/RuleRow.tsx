'use client';
import { Box } from '@chakra-ui/react';
import { ruleValue, type EditableRules, type RuleField, type RuleId, type RuleValue } from '@/core/rules/ruleFields';
import { SettingRow } from '@/ui/base/SettingRow';
import { ruleRowWords, sayRule } from '@/words/say/ruleWords';
import * as words from '@/words/catalogue/rules';
import { RuleChoice, RuleInput, RuleNames } from './RuleInputs';

interface RuleRowProps {
  /** One field, or those of a row that are read together. */
  readonly fields: readonly RuleField[];
  readonly draft: EditableRules;
  /** What stands today. */
  readonly standing: EditableRules;
  readonly onChange: (id: RuleId, value: RuleValue) => void;
  /** What the models name, for rules that are some of it. */
  readonly names: readonly string[];
}

/** One row of rules: what it is called, what it changes, its values, and what they were. */
export function RuleRow({ fields, draft, standing, onChange, names }: RuleRowProps) {
  const [first] = fields;
  if (!first) return null;
  const { name, says } = ruleRowWords(first);
  const changed = fields.filter(({ id }) => ruleValue(draft, id) !== ruleValue(standing, id));
  return (
    <SettingRow name={name} says={says} isChanged={changed.length > 0}>
      <Box>
        <Box display="flex" gap="12px" alignItems="center" flexWrap="wrap">
          {fields.map((field) =>
            field.kind.is === 'choice' ? (
              <RuleChoice key={field.id} {...{ field, draft, onChange }} />
            ) : field.kind.is === 'names' ? (
              <RuleNames key={field.id} {...{ field, draft, onChange, names }} />
            ) : (
              <RuleInput key={field.id} {...{ field, draft, onChange }} isShort={fields.length > 1} isWrong={false} />
            ),
          )}
          {changed.length > 0 && (
            <Box as="span" textStyle="note" color="inkMuted">
              {words.was({
                value: fields.map(({ id, kind }) => sayRule(kind, ruleValue(standing, id))).join(' · '),
              })}
            </Box>
          )}
        </Box>
      </Box>
    </SettingRow>
  );
}
