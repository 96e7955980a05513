'use client';
import { Box } from '@chakra-ui/react';
import { useState, type ReactNode } from 'react';
import { partCategories, type PartCategory } from '@/core/procedure/vocabulary';
import { mostBoxes, mostRoom, mostRows, type Rack } from '@/core/shelf/racks';
import { Button } from '@/ui/base/Button';
import { Field } from '@/ui/base/Field';
import { Input, Select } from '@/ui/base/Input';
import { capital } from '@/words/format';
import { categoryNames } from '@/words/say/names';
import * as words from '@/words/catalogue/racks';

const sizes = [
  ['rows', words.rows(), mostRows],
  ['boxes', words.boxes(), mostBoxes],
  ['room', words.room(), mostRoom],
] as const;

/** How many boxes a rack has, what goes into each, and for what it is kept; saved by Enter or its button. */
export function RackFields({
  rack,
  save,
  saveName = save,
  isNew = false,
  isBusy,
  onSave,
  children,
}: {
  readonly rack: Rack;
  /** What its button says. */
  readonly save: string;
  /** The same in full, where several such forms stand on one screen. */
  readonly saveName?: string;
  /** Saved as it stands, without a change. */
  readonly isNew?: boolean;
  readonly isBusy: boolean;
  readonly onSave: (rack: Rack) => void;
  /** What stands beside its button. */
  readonly children?: ReactNode;
}) {
  const [typed, setTyped] = useState({ rows: `${rack.rows}`, boxes: `${rack.boxes}`, room: `${rack.room}` });
  const [category, setCategory] = useState(rack.category);
  const numbers = Object.fromEntries(sizes.map(([field]) => [field, Number(typed[field])])) as Record<
    (typeof sizes)[number][0],
    number
  >;
  const isRead = (field: keyof typeof typed, most: number) =>
    /^\d+$/.test(typed[field].trim()) && numbers[field] >= 1 && numbers[field] <= most;
  const areRead = sizes.every(([field, , most]) => isRead(field, most));
  const next = { ...rack, ...numbers, category };
  const isChanged = sizes.some(([field]) => next[field] !== rack[field]) || category !== rack.category;
  const canSave = areRead && (isChanged || isNew) && !isBusy;
  const nameOf = (field: string) => words.fieldOf({ field, code: rack.code });
  return (
    <Box
      as="form"
      display="flex"
      flexWrap="wrap"
      gap="10px"
      alignItems="flex-end"
      py="12px"
      onSubmit={(event) => {
        event.preventDefault();
        if (canSave) onSave(next);
      }}
    >
      {sizes.map(([field, label, most]) => (
        <Field key={field} label={label}>
          <Input
            aria-label={nameOf(label)}
            aria-invalid={!isRead(field, most) || undefined}
            w="72px"
            inputMode="numeric"
            maxLength={3}
            autoComplete="off"
            value={typed[field]}
            onChange={({ currentTarget: { value } }) => setTyped((before) => ({ ...before, [field]: value }))}
            onKeyDown={({ key, currentTarget }) => {
              if (key !== 'Escape') return;
              setTyped((before) => ({ ...before, [field]: `${rack[field]}` }));
              currentTarget.blur();
            }}
          />
        </Field>
      ))}
      <Field label={words.kind()}>
        <Select
          aria-label={nameOf(words.kind())}
          w="150px"
          value={category ?? ''}
          onChange={({ currentTarget: { value } }) => setCategory(value === '' ? null : (value as PartCategory))}
        >
          <option value="">{words.anyPart()}</option>
          {partCategories.map((one) => (
            <option key={one} value={one}>
              {capital(categoryNames[one])}
            </option>
          ))}
        </Select>
      </Field>
      <Button type="submit" look={canSave ? 'action' : 'quiet'} disabled={!canSave} aria-label={saveName}>
        {save}
      </Button>
      {children}
      <Box role="status" flexBasis="100%" minH="20px" textStyle="note" color={areRead ? 'inkMuted' : 'danger'}>
        {!areRead && words.unread({ most: words.limits({ rows: mostRows, boxes: mostBoxes, room: mostRoom }) })}
        {areRead && (isChanged || isNew) && words.holds({ parts: next.rows * next.boxes * next.room })}
      </Box>
    </Box>
  );
}
