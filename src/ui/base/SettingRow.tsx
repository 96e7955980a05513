import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** One thing that is set: what it is called and says on the left, its fields on the right; tinted when it is changed. */
export function SettingRow({
  name,
  says,
  isChanged = false,
  nameWidth = '250px',
  children,
}: {
  readonly name: ReactNode;
  readonly says: ReactNode;
  readonly isChanged?: boolean;
  readonly nameWidth?: string;
  readonly children: ReactNode;
}) {
  return (
    <Box
      as="li"
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', md: `${nameWidth} minmax(0, 1fr)` }}
      gap={{ base: '6px', md: '18px' }}
      alignItems="center"
      py="9px"
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
      {children}
    </Box>
  );
}
