'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import { atFault } from './atFault';
import { Button } from './Button';
import { Input } from './Input';

/** Adds something by its name. What was refused stays in the field, marked. */
export function AddByName({
  label,
  add,
  most,
  isBusy,
  refusal,
  onAdd,
}: {
  readonly label: string;
  readonly add: string;
  /** Letters that a name may have. */
  readonly most: number;
  readonly isBusy: boolean;
  readonly refusal: Refusal | null;
  /** @param then to be called when it was added */
  readonly onAdd: (name: string, then: () => void) => void;
}) {
  const [name, setName] = useState('');
  const isEmpty = name.trim() === '';
  return (
    <Box
      as="form"
      display="flex"
      gap="10px"
      py="10px"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isEmpty) onAdd(name, () => setName(''));
      }}
    >
      <Input
        {...(!isEmpty && atFault(refusal, 'name'))}
        aria-label={label}
        placeholder={label}
        w="260px"
        maxLength={most}
        autoComplete="off"
        value={name}
        onChange={({ currentTarget: { value } }) => setName(value)}
        onKeyDown={({ key, currentTarget }) => key === 'Escape' && currentTarget.blur()}
      />
      <Button type="submit" disabled={isEmpty || isBusy}>
        {add}
      </Button>
    </Box>
  );
}
