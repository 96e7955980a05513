'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { readRule, type RuleField, type RuleValue } from '@/core/rules/ruleFields';
import { Button } from '@/ui/base/Button';
import { Input } from '@/ui/base/Input';
import { currencySign } from '@/words/format';
import { ruleChoiceNames, ruleUnits, ruleWords, sayRule, writeRule } from '@/words/say/ruleWords';
import { readNumber } from '@/words/say/readNumber';
import * as words from '@/words/catalogue/rules';

interface RuleRowProps {
  readonly field: RuleField;
  readonly value: RuleValue;
  /** What stands today. */
  readonly standing: RuleValue;
  readonly onChange: (value: RuleValue) => void;
}

/** One rule: what it is called, what it changes, its value, and what it was. */
export function RuleRow({ field, value, standing, onChange }: RuleRowProps) {
  const { name, says } = ruleWords[field.id];
  const isChanged = value !== standing;
  return (
    <Box
      as="li"
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', md: '250px minmax(0, 1fr)' }}
      gap={{ base: '6px', md: '18px' }}
      alignItems="center"
      py="10px"
      px="14px"
      mx="-14px"
      borderBottomWidth="1px"
      borderColor="rule"
      bg={isChanged ? 'actionSoft' : undefined}
    >
      <Box>
        <Box fontWeight="600">{name}</Box>
        <Box textStyle="caption" color="inkMuted">
          {says}
        </Box>
      </Box>
      <Box display="flex" gap="12px" alignItems="center" flexWrap="wrap">
        {field.kind.is === 'choice' ? (
          <Box display="flex" gap="6px" flexWrap="wrap" role="group" aria-label={name}>
            {field.kind.among.map((choice) => (
              <Button
                key={choice}
                size="small"
                look={choice === value ? 'action' : 'quiet'}
                aria-pressed={choice === value}
                onClick={() => onChange(choice)}
              >
                {ruleChoiceNames[choice]}
              </Button>
            ))}
          </Box>
        ) : (
          <RuleInput field={field} name={name} value={value} onChange={onChange} />
        )}
        {isChanged && (
          <Box as="span" textStyle="note" color="inkMuted">
            {words.was({ value: sayRule(field.kind, standing) })}
          </Box>
        )}
      </Box>
    </Box>
  );
}

/** The field of a rule. What cannot be read stays in it, marked, and changes nothing. */
function RuleInput({
  field: { id, kind },
  name,
  value,
  onChange,
}: Pick<RuleRowProps, 'field' | 'value' | 'onChange'> & { readonly name: string }) {
  const [typed, setTyped] = useState<string | null>(null);
  const isUnread = typed !== null && readRule(kind, typed, readNumber) === undefined;
  return (
    <Box display="flex" gap="8px" alignItems="center" flexWrap="wrap">
      <Input
        aria-label={name}
        aria-invalid={isUnread || undefined}
        aria-describedby={isUnread ? `${id} unread` : undefined}
        w={kind.is === 'text' ? '260px' : '120px'}
        maxW="100%"
        inputMode={kind.is === 'text' ? 'text' : 'decimal'}
        maxLength={60}
        autoComplete="off"
        value={typed ?? writeRule(kind, value)}
        onChange={(event) => {
          setTyped(event.currentTarget.value);
          const read = readRule(kind, event.currentTarget.value, readNumber);
          if (read !== undefined) onChange(read);
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
