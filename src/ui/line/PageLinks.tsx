'use client';
import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';

/** Pages that belong together, each one press away from the other; the one that is open is marked. */
export function PageLinks({
  label,
  pages,
  mb,
}: {
  readonly label: string;
  readonly pages: readonly (readonly [path: string, name: string])[];
  readonly mb: string;
}) {
  const here = usePathname();
  return (
    <Box as="nav" aria-label={label} display="flex" gap="0 20px" mb={mb} textStyle="note" flexWrap="wrap">
      {pages.map(([path, name]) => (
        <Link key={path} href={path} prefetch={false} aria-current={here === path ? 'page' : undefined}>
          <Box
            as="span"
            display="inline-block"
            py="6px"
            fontWeight={here === path ? '700' : '400'}
            color={here === path ? 'ink' : 'action'}
            borderBottomWidth="2px"
            borderColor={here === path ? 'action' : 'transparent'}
          >
            {name}
          </Box>
        </Link>
      ))}
    </Box>
  );
}
