'use client';
import { Tabs as Parts } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { useKey } from './KeysProvider';
import { KeyCap } from '@/ui/base/KeyCap';

interface TabOf<T extends string> {
  readonly id: T;
  readonly key: string;
  readonly label: string;
  readonly content: () => ReactNode;
}

/** Views of one thing, each with its key; arrows go from one to the next while a tab has the focus. */
export function Tabs<T extends string>({
  label,
  tabs,
  open,
  onOpen,
}: {
  readonly label: string;
  readonly tabs: readonly TabOf<T>[];
  readonly open: T;
  readonly onOpen: (id: T) => void;
}) {
  return (
    <Parts.Root unstyled lazyMount unmountOnExit value={open} onValueChange={({ value }) => onOpen(value as T)}>
      <Parts.List aria-label={label} display="flex" px={{ base: '16px', md: '28px' }} gap="2px" overflowX="auto">
        {tabs.map((tab) => (
          <Tab key={tab.id} id={tab.id} keyName={tab.key} label={tab.label} onOpen={() => onOpen(tab.id)} />
        ))}
      </Parts.List>
      {tabs.map(({ id, content }) => (
        <Parts.Content key={id} value={id}>
          {id === open && content()}
        </Parts.Content>
      ))}
    </Parts.Root>
  );
}

function Tab({
  id,
  keyName,
  label,
  onOpen,
}: {
  readonly id: string;
  readonly keyName: string;
  readonly label: string;
  readonly onOpen: () => void;
}) {
  useKey(keyName, label, onOpen);
  return (
    <Parts.Trigger
      value={id}
      display="inline-flex"
      alignItems="center"
      gap="8px"
      minH="42px"
      px="14px"
      cursor="pointer"
      borderWidth="1px 1px 0"
      borderStyle="solid"
      borderColor="rule"
      bg="paper"
      fontWeight="600"
      _selected={{ bg: 'ink', color: 'paper', borderColor: 'ink' }}
    >
      <KeyCap name={keyName} />
      {label}
    </Parts.Trigger>
  );
}
