'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import type { Found } from '@/services/find/findAll';
import * as words from '@/words/catalogue/find';
import { hitGroups, sayTotal } from './hits';

/** What answers so far, under the find box; the line that Enter would open is tinted. */
export function Suggestions({
  found,
  place,
  onOpen,
  onClose,
}: {
  readonly found: Found;
  readonly place: number;
  readonly onOpen: (path: string) => void;
  readonly onClose: () => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // A press anywhere else puts it away.
    const away = ({ target }: PointerEvent) => {
      if (target instanceof Node && !box.current?.parentElement?.contains(target)) onClose();
    };
    window.addEventListener('pointerdown', away);
    return () => window.removeEventListener('pointerdown', away);
  }, [onClose]);
  const groups = hitGroups(found);
  const first = groups.map((_, at) => groups.slice(0, at).reduce((sum, { hits }) => sum + hits.length, 0));
  return (
    <Box
      ref={box}
      id="found"
      role="listbox"
      aria-label={words.suggestions()}
      position="absolute"
      top="40px"
      insetInlineEnd="0"
      w={{ base: 'calc(100vw - 36px)', md: '420px' }}
      maxW="calc(100vw - 36px)"
      maxH="70vh"
      overflowY="auto"
      bg="sheet"
      borderWidth="1px"
      borderColor="rule"
      borderTopWidth="3px"
      borderTopColor="twine"
      borderRadius="soft"
      zIndex={10}
      p="6px 0"
    >
      {groups.length === 0 && (
        <Box p="10px 14px" color="inkMuted">
          {words.nothingYet()}
        </Box>
      )}
      {groups.map((group, at) => (
        <Box key={group.id} role="group" aria-label={group.name}>
          <Box textStyle="caption" color="inkMuted" p="8px 14px 2px">
            {sayTotal(group)}
          </Box>
          {group.hits.map((hit, inGroup) => {
            const index = (first[at] ?? 0) + inGroup;
            return (
              <Box
                key={hit.id}
                id={`found-${index}`}
                role="option"
                aria-selected={index === place}
                data-path={hit.path}
                display="flex"
                gap="12px"
                p="8px 14px"
                minH="40px"
                cursor="pointer"
                bg={index === place ? 'actionSoft' : undefined}
                _hover={{ bg: 'sunk' }}
                onClick={() => onOpen(hit.path)}
              >
                <Box as="span" fontWeight="600" flexShrink={0} maxW="60%">
                  {hit.title}
                </Box>
                <Box as="span" textStyle="note" color="inkMuted" minW="0" overflow="hidden" textOverflow="ellipsis">
                  {hit.says}
                </Box>
              </Box>
            );
          })}
        </Box>
      ))}
      <Box textStyle="caption" color="inkMuted" p="8px 14px" borderTopWidth="1px" borderColor="rule" mt="6px">
        {words.enterShowsAll()}
      </Box>
    </Box>
  );
}
