'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useState, type KeyboardEvent, type Ref } from 'react';

const Field = chakra('input', {
  base: {
    w: '100%',
    minH: '34px',
    px: '7px',
    bg: 'sheet',
    color: 'ink',
    borderWidth: '1px',
    borderStyle: 'solid',
    borderColor: 'action',
    fontSize: '15px',
    _invalid: { borderColor: 'danger' },
  },
});

/**
 * A field that completes from words: Tab takes the first word offered and goes on, arrows choose another, Escape leaves
 * what was typed.
 */
export function CellInput({
  label,
  value,
  placeholder,
  words,
  isWrong = false,
  inputRef,
  onChange,
  onKeyDown,
}: {
  readonly label: string;
  readonly value: string;
  readonly placeholder?: string;
  readonly words: readonly string[];
  readonly isWrong?: boolean;
  readonly inputRef?: Ref<HTMLInputElement>;
  readonly onChange: (value: string) => void;
  readonly onKeyDown?: (event: KeyboardEvent<HTMLInputElement>) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const [at, setAt] = useState(0);
  const offered = isOpen && value.trim() !== '' ? words : [];
  const take = (word: string | undefined) => {
    if (word !== undefined) onChange(word);
    setOpen(false);
    setAt(0);
  };
  return (
    <Box position="relative">
      <Field
        ref={inputRef}
        aria-label={label}
        aria-invalid={isWrong || undefined}
        autoComplete="off"
        spellCheck={false}
        value={value}
        placeholder={placeholder}
        onChange={(event) => {
          setOpen(true);
          setAt(0);
          onChange(event.currentTarget.value);
        }}
        onBlur={() => setOpen(false)}
        onKeyDown={(event) => {
          if (offered.length > 0) {
            if (event.key === 'Tab' && !event.shiftKey) take(offered[at]);
            if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
              event.preventDefault();
              setAt((at + (event.key === 'ArrowDown' ? 1 : offered.length - 1)) % offered.length);
              return;
            }
            if (event.key === 'Escape') {
              event.stopPropagation();
              setOpen(false);
              return;
            }
          }
          onKeyDown?.(event);
        }}
      />
      {offered.length > 0 && (
        <Box
          as="ul"
          position="absolute"
          zIndex={5}
          top="100%"
          insetStart="0"
          minW="100%"
          bg="sheet"
          borderWidth="1px"
          borderColor="action"
          boxShadow="0 4px 10px rgba(0,0,0,0.18)"
        >
          {offered.map((word, index) => (
            <Box
              as="li"
              key={word}
              px="8px"
              py="4px"
              whiteSpace="nowrap"
              bg={index === at ? 'actionSoft' : undefined}
              cursor="pointer"
              onMouseDown={(event) => {
                event.preventDefault();
                take(word);
              }}
            >
              {word}
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
