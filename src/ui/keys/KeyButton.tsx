'use client';
import type { ComponentProps, ReactNode } from 'react';
import { Button } from '@/ui/base/Button';
import { KeyCap } from '@/ui/base/KeyCap';
import { useMayRecord } from '@/ui/people/MayRecord';
import { useIsInChoice, useKey } from './KeysProvider';

type ButtonProps = ComponentProps<typeof Button>;

/** A target and its key: pressing either does the same. */
export function KeyButton({
  keyName,
  label,
  children,
  onPress,
  isEnabled = true,
  records = false,
  ...look
}: Omit<ButtonProps, 'onClick' | 'children'> & {
  /** Without a key it is for Tab and the pointer. */
  readonly keyName: string | undefined;
  /** What it does, for the list of keys; also its text unless there is other content. */
  readonly label: string;
  readonly children?: ReactNode;
  readonly onPress: () => void;
  readonly isEnabled?: boolean;
  /** It records a fact, at once or after a choice: it is not there for somebody who only looks. */
  readonly records?: boolean;
}) {
  const isGone = !useMayRecord() && records;
  useKey(keyName, label, onPress, isEnabled && !isGone);
  // On a phone the pedal's button lies at the foot of the screen (PedalBar), but in a choice it stays where it is.
  const isInChoice = useIsInChoice();
  if (isGone) return null;
  const isAtFoot = keyName === ' ' && isEnabled && !isInChoice;
  return (
    <Button
      {...(isAtFoot && { display: { base: 'none', sm: 'inline-flex' } })}
      {...look}
      onClick={onPress}
      disabled={!isEnabled}
      aria-keyshortcuts={keyName === ' ' ? 'Space' : keyName}
    >
      {keyName !== undefined && <KeyCap name={keyName} />}
      {children ?? label}
    </Button>
  );
}
