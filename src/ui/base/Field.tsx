import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** A field with its name over it, in the browser's own label: a press on the name is one on the field. */
export function Field({
  label,
  isWide = false,
  children,
}: {
  readonly label: string;
  /** Over all columns of a form. */
  readonly isWide?: boolean;
  readonly children: ReactNode;
}) {
  return (
    <Box as="label" display="block" gridColumn={isWide ? '1 / -1' : undefined}>
      <Box as="span" textStyle="section" display="block" mb="4px">
        {label}
      </Box>
      {children}
    </Box>
  );
}
