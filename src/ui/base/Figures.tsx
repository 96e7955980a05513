import { Box } from '@chakra-ui/react';

/** How something was worked out, a line for each figure of it. */
export function Figures({ lines }: { readonly lines: readonly (readonly [title: string, value: string])[] }) {
  return (
    <Box as="dl" display="grid" gridTemplateColumns="112px 1fr" textStyle="note">
      {lines.map(([title, value]) => (
        <Box key={title} display="contents">
          <Box as="dt" color="inkMuted" py="5px" borderBottomWidth="1px" borderColor="rule">
            {title}
          </Box>
          <Box as="dd" py="5px" borderBottomWidth="1px" borderColor="rule">
            {value}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
