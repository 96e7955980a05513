'use client';
import { Box, chakra } from '@chakra-ui/react';
import { ScanLine } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState, type FormEvent, type KeyboardEvent } from 'react';
import { parseTag } from '@/core/shared/tags';
import type { Found } from '@/services/find/findAll';
import { Input } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { useKey, useTakeScanned } from '@/ui/keys/KeysProvider';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/line';

const CameraScan = dynamic(() => import('@/ui/camera/CameraScan').then((module) => module.CameraScan));
const Suggestions = dynamic(() => import('@/ui/find/Suggestions').then((module) => module.Suggestions));

const restMs = 120;
const leastLetters = 2;

/** Find or scan: what answers is shown while one types; a whole tag opens its thing, Enter shows everything else. */
export function FindBox() {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState('');
  const [place, setPlace] = useState(-1);
  const found = useFound(typed);
  useKey('/', '', () => input.current?.focus());
  const close = () => {
    setTyped('');
    setPlace(-1);
    input.current?.blur();
  };
  const open = (path: string) => {
    close();
    router.push(path);
  };
  const find = (event: FormEvent) => {
    event.preventDefault();
    const text = typed.trim();
    if (text === '') return;
    const chosen = document.querySelector<HTMLElement>(`#found-${place}`)?.dataset.path;
    const tag = parseTag(text)?.tag;
    open(chosen ?? (tag ? `/t/${tag}` : `/find?q=${encodeURIComponent(text)}`));
  };
  const move = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Escape') close();
    const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    const last = document.querySelectorAll('[id^=found-]').length - 1;
    setPlace((before) => Math.max(-1, Math.min(last, before + by)));
  };
  return (
    <Box as="form" onSubmit={find as never} position="relative" role="search">
      <Input
        ref={input}
        role="combobox"
        aria-expanded={found !== null}
        aria-controls="found"
        aria-autocomplete="list"
        aria-activedescendant={place >= 0 ? `found-${place}` : undefined}
        aria-label={words.findOrScan()}
        placeholder={words.findOrScan()}
        autoComplete="off"
        maxLength={100}
        minH="34px"
        h="34px"
        bg="paper"
        borderColor="rule"
        fontSize="15px"
        value={typed}
        onChange={({ currentTarget: { value } }) => {
          setTyped(value);
          setPlace(-1);
        }}
        onKeyDown={move}
      />
      <Box position="absolute" right="44px" top="6px" pointerEvents="none">
        <KeyCap name="/" />
      </Box>
      <CameraKey />
      {found && <Suggestions found={found} place={place} onOpen={open} onClose={close} />}
    </Box>
  );
}

/** Opens the camera as a scanner; its script is loaded when it is pressed. */
function CameraKey() {
  const take = useTakeScanned();
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <chakra.button
        type="button"
        aria-label={words.scanWithCamera()}
        title={words.scanWithCamera()}
        position="absolute"
        right="0"
        top="0"
        w="40px"
        h="34px"
        display="grid"
        placeItems="center"
        cursor="pointer"
        color="inkMuted"
        onClick={() => setOpen(true)}
      >
        <ScanLine size={18} aria-hidden />
      </chakra.button>
      {isOpen && (
        <CameraScan
          onCode={(code) => {
            const isTaken = take(code);
            if (parseTag(code)) setOpen(false);
            return isTaken;
          }}
          onClose={() => setOpen(false)}
        />
      )}
    </>
  );
}

/** What answers the words typed, a moment after the last key; null while nothing is asked. */
function useFound(typed: string): Found | null {
  const [answer, setAnswer] = useState<Found | null>(null);
  const text = typed.trim();
  const isAsked = text.length >= leastLetters;
  useEffect(() => {
    if (!isAsked) return undefined;
    const stop = new AbortController();
    const timer = setTimeout(() => {
      void send<Found>('GET', `/api/find?q=${encodeURIComponent(text)}`, undefined, stop.signal).then((outcome) => {
        if (outcome.ok) setAnswer(outcome.value);
      });
    }, restMs);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [text, isAsked]);
  return isAsked ? answer : null;
}
