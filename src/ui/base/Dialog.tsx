'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useEffect, useRef, type ReactNode } from 'react';
import { KeyCap } from './KeyCap';
import * as words from '@/words/catalogue/base';

const Frame = chakra('dialog', {
  base: {
    bg: 'sheet',
    borderWidth: '1px',
    borderStyle: 'solid',
    borderColor: 'rule',
    borderTopWidth: '3px',
    borderTopColor: 'twine',
    borderRadius: 'soft',
    p: { base: '16px', sm: '20px 24px' },
    minW: { base: 'calc(100vw - 20px)', sm: '420px' },
    maxW: { base: 'calc(100vw - 20px)', sm: '720px' },
    maxH: '86vh',
    overflow: 'auto',
    m: 'auto',
    outline: 'none',
  },
});

/** The browser's own dialog: it keeps the focus inside and closes on Escape. */
export function Dialog({
  title,
  onClose,
  children,
}: {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}) {
  const frame = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const dialog = frame.current;
    dialog?.showModal();
    // Not the first button: space is the key of the main one, wherever that stands. A field keeps the focus.
    if (document.activeElement instanceof HTMLButtonElement) dialog?.focus();
    return () => dialog?.close();
  }, []);
  return (
    <Frame ref={frame} tabIndex={-1} aria-label={title} onClose={onClose} onCancel={onClose}>
      <Box display="flex" justifyContent="space-between" alignItems="center" gap="18px" mb="12px">
        <Box as="h2" textStyle="figure">
          {title}
        </Box>
        <Box textStyle="caption" color="inkMuted" display="flex" gap="6px" alignItems="center">
          <KeyCap name="Escape" /> {words.closes()}
        </Box>
      </Box>
      {children}
    </Frame>
  );
}
