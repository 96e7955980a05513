'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useState } from 'react';

const Field = chakra('input', {
  base: {
    w: '100%',
    minH: '32px',
    px: '7px',
    bg: 'sheet',
    color: 'ink',
    borderWidth: '1px',
    borderStyle: 'solid',
    borderColor: 'rule',
    fontSize: '15px',
    _focus: { borderColor: 'action' },
    _invalid: { borderColor: 'danger' },
  },
});

/** A text that is taken when the field is left or Enter is pressed; what cannot be read is marked and kept as it was. */
export function TextCell({
  label,
  value,
  read,
  whyNot,
  onTake,
}: {
  readonly label: string;
  readonly value: string;
  /** False when the text cannot be taken. */
  readonly read?: (text: string) => boolean;
  /** The sentence why a text cannot be taken; null when it can. */
  readonly whyNot?: (text: string) => string | null;
  readonly onTake: (text: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const sentence = typed !== null && whyNot ? whyNot(typed) : null;
  const isWrong = sentence !== null || (typed !== null && read !== undefined && !read(typed));
  const take = () => {
    if (typed !== null && typed !== value && !isWrong) onTake(typed);
    if (!isWrong) setTyped(null);
  };
  const field = (
    <Field
      aria-label={label}
      aria-invalid={isWrong || undefined}
      value={typed ?? value}
      autoComplete="off"
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') {
          event.stopPropagation();
          setTyped(null);
          event.currentTarget.blur();
        }
      }}
    />
  );
  return (
    <Box>
      {field}
      {sentence && (
        <Box textStyle="caption" color="danger" role="alert" pt="2px">
          {sentence}
        </Box>
      )}
    </Box>
  );
}

const Choice = chakra('select', {
  base: {
    w: '100%',
    minH: '32px',
    px: '4px',
    bg: 'sheet',
    color: 'ink',
    borderWidth: '1px',
    borderStyle: 'solid',
    borderColor: 'rule',
    fontSize: '15px',
  },
});

/** One of the words of the format, shown by its name. */
export function ChoiceCell({
  label,
  value,
  names,
  mayBeNone = false,
  onTake,
}: {
  readonly label: string;
  readonly value: string;
  readonly names: Readonly<Record<string, string>>;
  /** Whether none of them may be chosen: it is the empty text then. */
  readonly mayBeNone?: boolean;
  readonly onTake: (word: string) => void;
}) {
  return (
    <Choice aria-label={label} value={value} onChange={(event) => onTake(event.currentTarget.value)}>
      {mayBeNone && <option value="">–</option>}
      {Object.entries(names).map(([word, name]) => (
        <option key={word} value={word}>
          {name}
        </option>
      ))}
    </Choice>
  );
}

/** A label beside its field. */
export function FieldRow({ label, children }: { readonly label: string; readonly children: React.ReactNode }) {
  return (
    <Box display="grid" gridTemplateColumns="112px minmax(0, 1fr)" gap="8px" alignItems="center" py="2px">
      <Box as="span" textStyle="note" color="inkMuted">
        {label}
      </Box>
      {children}
    </Box>
  );
}
