'use client';
import type { ComponentProps, ReactNode } from 'react';
import { Button } from '@/ui/base/Button';
import { KeyCap } from '@/ui/base/KeyCap';
import { useKey } from './KeysProvider';

type ButtonProps = ComponentProps<typeof Button>;

/** A target and its key: pressing either does the same. */
export function KeyButton({
  keyName,
  label,
  children,
  onPress,
  isEnabled = true,
  ...look
}: Omit<ButtonProps, 'onClick' | 'children'> & {
  /** Without a key it is for Tab and the pointer. */
  readonly keyName: string | undefined;
  /** What it does, for the list of keys; also its text unless there is other content. */
  readonly label: string;
  readonly children?: ReactNode;
  readonly onPress: () => void;
  readonly isEnabled?: boolean;
}) {
  useKey(keyName, label, onPress, isEnabled);
  return (
    <Button {...look} onClick={onPress} disabled={!isEnabled} aria-keyshortcuts={keyName === ' ' ? 'Space' : keyName}>
      {keyName !== undefined && <KeyCap name={keyName} />}
      {children ?? label}
    </Button>
  );
}
