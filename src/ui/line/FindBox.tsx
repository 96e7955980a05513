'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useRef, type FormEvent } from 'react';
import { parseTag } from '@/core/shared/tags';
import { Input } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { useShopStore } from '@/ui/facts/ShopProvider';
import { useKey } from '@/ui/keys/KeysProvider';
import * as words from '@/words/catalogue/line';

/** Find or scan: a tag opens its thing, any other words search the shelf. */
export function FindBox() {
  const router = useRouter();
  const store = useShopStore();
  const input = useRef<HTMLInputElement>(null);
  useKey('/', '', () => input.current?.focus());
  const find = (event: FormEvent) => {
    event.preventDefault();
    const text = input.current?.value.trim() ?? '';
    if (text === '') return;
    const parsed = parseTag(text);
    if (parsed) router.push(`/t/${parsed.tag}`);
    else if (/^[a-z]-?\d+$/i.test(text)) store.show({ reason: 'unknown-tag', values: { tag: text.toUpperCase() } });
    else router.push(`/shelf?q=${encodeURIComponent(text)}`);
    if (input.current) input.current.value = '';
    input.current?.blur();
  };
  return (
    <Box as="form" onSubmit={find as never} position="relative" role="search">
      <Input
        ref={input}
        aria-label={words.findOrScan()}
        placeholder={words.findOrScan()}
        minH="34px"
        h="34px"
        bg="paper"
        borderColor="rule"
        fontSize="15px"
        onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
      />
      <Box position="absolute" right="8px" top="6px" pointerEvents="none">
        <KeyCap name="/" />
      </Box>
    </Box>
  );
}
