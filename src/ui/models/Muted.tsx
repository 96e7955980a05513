import { Box } from '@chakra-ui/react';

export const Muted = ({ children }: { readonly children: React.ReactNode }) => (
  <Box textStyle="note" color="inkMuted">
    {children}
  </Box>
);
