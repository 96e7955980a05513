'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
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
import { currencySign } from '@/words/format';
import { ruleChoiceNames, ruleName, ruleUnits, writeRule } from '@/words/say/ruleWords';
import { readNumber } from '@/words/say/readNumber';
import * as words from '@/words/catalogue/rules';

interface FieldProps {
  readonly draft: EditableRules;
  readonly onChange: (id: RuleId, value: RuleValue) => void;
  readonly field: RuleField;
}

/** One of a few, each a press. */
export function RuleChoice({ field, draft, onChange }: FieldProps) {
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
          {ruleChoiceNames[choice] ?? choice}
        </Button>
      ))}
    </Box>
  );
}

/** Some of the names that the models know, each pressed in or out. */
export function RuleNames({ field, draft, onChange, names }: FieldProps & { readonly names: readonly string[] }) {
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
export function RuleInput({
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
