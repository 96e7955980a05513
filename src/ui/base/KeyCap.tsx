'use client';
import { chakra } from '@chakra-ui/react';
import { keyCapRecipe } from '@/ui/theme/recipes/keyCap';

const Cap = chakra('kbd', keyCapRecipe);

const names: Readonly<Record<string, string>> = {
  ' ': 'space',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  Enter: '↵',
  Escape: 'esc',
};

export const keyName = (key: string): string => names[key] ?? key.toUpperCase();

export function KeyCap({ name }: { readonly name: string }) {
  return <Cap aria-hidden>{keyName(name)}</Cap>;
}
