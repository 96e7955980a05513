'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { unusableLimits } from '@/core/shared/gradingLimits';
import {
  readRule,
  ruleValue,
  type EditableRules,
  type RuleField,
  type RuleId,
  type RuleValue,
} from '@/core/rules/ruleFields';
import { Button } from '@/ui/base/Button';
import { Input } from '@/ui/base/Input';
import { SettingRow } from '@/ui/base/SettingRow';
import { currencySign } from '@/words/format';
import { ruleChoiceNames, ruleName, ruleRowWords, ruleUnits, sayRule, writeRule } from '@/words/say/ruleWords';
import { readNumber } from '@/words/say/readNumber';
import * as words from '@/words/catalogue/rules';

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
  const isOutOfOrder = first.row === `gradingLimits.${unusableLimits(draft.gradingLimits)}`;
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
              <RuleInput
                key={field.id}
                {...{ field, draft, onChange }}
                isShort={fields.length > 1}
                isWrong={isOutOfOrder}
              />
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
        {isOutOfOrder && (
          <Box id={`${first.row} order`} role="alert" textStyle="note" color="danger" pt="4px">
            {words.limitsOrder()}
          </Box>
        )}
      </Box>
    </SettingRow>
  );
}

interface FieldProps extends Pick<RuleRowProps, 'draft' | 'onChange'> {
  readonly field: RuleField;
}

function RuleChoice({ field, draft, onChange }: FieldProps) {
  const { id, kind } = field;
  const value = ruleValue(draft, id);
  return (
    <Box display="flex" gap="6px" flexWrap="wrap" role="group" aria-label={ruleName(field)}>
      {(kind.is === 'choice' ? kind.among : []).map((choice) => (
        <Button
          key={choice}
          size="small"
          look={choice === value ? 'action' : 'quiet'}
          aria-pressed={choice === value}
          onClick={() => onChange(id, choice)}
        >
          {ruleChoiceNames[choice]}
        </Button>
      ))}
    </Box>
  );
}

/** Some of the names that the models know, each pressed in or out. */
function RuleNames({ field, draft, onChange, names }: FieldProps & Pick<RuleRowProps, 'names'>) {
  const { id } = field;
  const chosen = String(ruleValue(draft, id) ?? '')
    .split('\n')
    .filter(Boolean);
  const all = [...new Set([...names, ...chosen])].sort((a, b) => a.localeCompare(b));
  if (all.length === 0) return <Box color="inkMuted">{words.noToolsKnown()}</Box>;
  const toggled = (name: string) =>
    (chosen.includes(name) ? chosen.filter((other) => other !== name) : [...chosen, name]).sort().join('\n');
  return (
    <Box display="flex" gap="6px" flexWrap="wrap" role="group" aria-label={ruleName(field)}>
      {all.map((name) => (
        <Button
          key={name}
          size="small"
          look={chosen.includes(name) ? 'action' : 'quiet'}
          aria-pressed={chosen.includes(name)}
          onClick={() => onChange(id, toggled(name))}
        >
          {name}
        </Button>
      ))}
    </Box>
  );
}

/** The field of a rule. What cannot be read stays in it, marked, and changes nothing. */
function RuleInput({
  field,
  draft,
  onChange,
  isShort,
  isWrong,
}: FieldProps & {
  /** One of several on its row: named by its grade before it. */
  readonly isShort: boolean;
  readonly isWrong: boolean;
}) {
  const { id, kind, row } = field;
  const value = ruleValue(draft, id);
  const [typed, setTyped] = useState<string | null>(null);
  const isUnread = typed !== null && readRule(kind, typed, readNumber) === undefined;
  return (
    <Box display="flex" gap="8px" alignItems="center" flexWrap="wrap">
      {isShort && (
        <Box as="span" aria-hidden fontWeight="600">
          {id.split('.').at(-1)}
        </Box>
      )}
      <Input
        aria-label={ruleName(field)}
        aria-invalid={isUnread || isWrong || undefined}
        aria-describedby={isUnread ? `${id} unread` : isWrong ? `${row} order` : undefined}
        w={kind.is === 'text' ? '260px' : isShort ? '76px' : '120px'}
        maxW="100%"
        inputMode={kind.is === 'text' ? 'text' : 'decimal'}
        maxLength={60}
        autoComplete="off"
        value={typed ?? writeRule(kind, value)}
        onChange={(event) => {
          setTyped(event.currentTarget.value);
          const read = readRule(kind, event.currentTarget.value, readNumber);
          if (read !== undefined) onChange(id, read);
        }}
        onBlur={() => !isUnread && setTyped(null)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          if (event.key !== 'Escape') return;
          setTyped(null);
          event.currentTarget.blur();
        }}
      />
      <Box as="span" color="inkMuted">
        {kind.is === 'money' ? currencySign() : ruleUnits[kind.is]}
      </Box>
      {isUnread && (
        <Box as="span" id={`${id} unread`} role="alert" textStyle="note" color="danger">
          {kind.is === 'text' ? words.unreadText() : words.unreadNumber()}
        </Box>
      )}
    </Box>
  );
}
