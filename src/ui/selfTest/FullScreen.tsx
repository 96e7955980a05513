'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useRef, type ReactNode } from 'react';

/** The whole screen of a unit, without the browser's bars where it lets go of them. Escape leaves. */
export function FullScreen({
  label,
  children,
  onLeave,
}: {
  readonly label: string;
  readonly children: ReactNode;
  readonly onLeave: () => void;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const leave = useRef(onLeave);
  useEffect(() => {
    leave.current = onLeave;
  });
  useEffect(() => {
    const own = frame.current;
    let isOver = false;
    // Some browsers have no such thing, and a test does without it.
    void own?.requestFullscreen?.({ navigationUI: 'hide' }).catch(() => undefined);
    own?.focus();
    const onKey = ({ key }: KeyboardEvent) => {
      if (key === 'Escape' && !isOver) leave.current();
    };
    window.addEventListener('keydown', onKey);
    return () => {
      isOver = true;
      window.removeEventListener('keydown', onKey);
      if (document.fullscreenElement) void document.exitFullscreen().catch(() => undefined);
    };
  }, []);
  return (
    <Box
      ref={frame}
      as="main"
      tabIndex={-1}
      aria-label={label}
      position="fixed"
      inset="0"
      bg="paper"
      overflow="hidden"
      userSelect="none"
      outline="none"
      touchAction="none"
    >
      {children}
    </Box>
  );
}
