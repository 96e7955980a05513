'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { Button } from '@/ui/base/Button';
import { ChoiceCell, TextCell } from '../FieldRow';
import * as names from '@/words/catalogue/fields';

interface ListProps<T extends string> {
  readonly label: string;
  readonly values: readonly T[];
  readonly onSet: (values: readonly T[]) => void;
}

/** Some of a few codes: a tick for each. */
export function TickList({
  label,
  values,
  options,
  onSet,
}: ListProps<string> & { readonly options: Readonly<Record<string, string>> }) {
  return (
    <Box role="group" aria-label={label} display="flex" flexWrap="wrap" gap="4px 14px">
      {Object.entries(options).map(([code, name]) => (
        <Box as="label" key={code} display="inline-flex" gap="6px" alignItems="center" minH="32px">
          <input
            type="checkbox"
            aria-label={name}
            checked={values.includes(code)}
            onChange={() => onSet(values.includes(code) ? values.filter((other) => other !== code) : [...values, code])}
          />
          {name}
        </Box>
      ))}
    </Box>
  );
}

/** Things of the model, by their names: taken off one by one, and added from those that are there. */
export function ThingList({
  label,
  values,
  things,
  onSet,
}: ListProps<string> & { readonly things: Readonly<Record<string, string>> }) {
  const left = Object.fromEntries(Object.entries(things).filter(([id]) => !values.includes(id)));
  return (
    <Box role="group" aria-label={label} display="flex" flexWrap="wrap" gap="6px" alignItems="center">
      {values.map((id) => (
        <Button
          key={id}
          size="small"
          aria-label={names.removeThis({ name: things[id] ?? id })}
          color={things[id] === undefined ? 'danger' : undefined}
          onClick={() => onSet(values.filter((other) => other !== id))}
        >
          {things[id] ?? names.noSuch({ id })} ×
        </Button>
      ))}
      {Object.keys(things).length + values.length === 0 && (
        <Box textStyle="note" color="inkMuted">
          {names.noneYet()}
        </Box>
      )}
      {Object.keys(left).length > 0 && (
        <Box w="190px">
          <ChoiceCell
            label={names.addTo({ name: label })}
            value=""
            names={{ '': names.addChoice(), ...left }}
            onTake={(id) => id !== '' && onSet([...values, id])}
          />
        </Box>
      )}
    </Box>
  );
}

/** Sentences, one a line: a comma ends none of them. A new line is in the document once something is written on it. */
export function TextList({ label, values, onSet }: ListProps<string>) {
  const [isAdding, setIsAdding] = useState(false);
  const lines = isAdding || values.length === 0 ? [...values, ''] : values;
  const take = (at: number, typed: string) => {
    const next = lines.map((other, index) => (index === at ? typed.trim() : other)).filter((text) => text !== '');
    setIsAdding(false);
    onSet(next);
  };
  return (
    <Box role="group" aria-label={label} display="grid" gap="4px">
      {lines.map((text, at) => {
        const line = names.numbered({ name: label, number: at + 1 });
        return (
          <Box key={`${at} ${lines.length}`} display="grid" gridTemplateColumns="minmax(0, 1fr) auto" gap="6px">
            <TextCell label={line} value={text} onTake={(typed) => take(at, typed)} />
            {text !== '' && (
              <Button size="small" aria-label={names.removeThis({ name: line })} onClick={() => take(at, '')}>
                {names.remove()}
              </Button>
            )}
          </Box>
        );
      })}
      {lines.at(-1) !== '' && (
        <Box>
          <Button size="small" onClick={() => setIsAdding(true)}>
            {names.addOne()}
          </Button>
        </Box>
      )}
    </Box>
  );
}
