'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useLayoutEffect, useRef, useState, useTransition } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import { Button } from '@/ui/base/Button';
import { Field } from '@/ui/base/Field';
import { Input, Select } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { ProductMark } from '@/ui/base/ProductMark';
import { RowButton } from '@/ui/base/Row';
import { forgetPages } from '@/ui/offline/keptPages';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import type { SignInView } from '@/services/people/readSignIn';
import { roleNames } from '@/words/say/names';
import * as words from '@/words/catalogue/people';

interface SignInProps {
  readonly shopName: string;
  readonly people: SignInView['people'];
  readonly benches: SignInView['benches'];
  readonly signIn: (given: { personId: string; pin: string; bench: string }) => Promise<Refusal>;
}

const benchKey = 'plucky-bench';

/** Pick yourself, type your PIN. The bench is remembered by the browser, since it does not walk about. */
export function SignInScreen({ shopName, people, benches, signIn }: SignInProps) {
  const [personId, setPersonId] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, start] = useTransition();
  const pin = useRef<HTMLInputElement>(null);
  const bench = useRef<HTMLSelectElement>(null);

  // Whose bench is known stands there, unless this browser has one of its own: it does not walk about.
  const pick = (id: string) => {
    setPersonId(id);
    if (localStorage.getItem(benchKey) === null)
      standAt(bench.current, people.find((person) => person.id === id)?.usualBench ?? null);
  };
  const latestPick = useRef(pick);
  useLayoutEffect(() => {
    latestPick.current = pick;
  });

  const main = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // From here on keys are heard; tests and scripts wait for it.
    if (main.current) main.current.dataset.ready = 'yes';
    void forgetPages();
    standAt(bench.current, localStorage.getItem(benchKey));
    const onKey = ({ key, target }: KeyboardEvent) => {
      const person = target instanceof HTMLInputElement ? undefined : people[Number(key) - 1];
      if (person) latestPick.current(person.id);
    };
    // On keyup, so that the digit that picks a person is not typed into the PIN.
    window.addEventListener('keyup', onKey);
    return () => window.removeEventListener('keyup', onKey);
  }, [people]);

  useEffect(() => pin.current?.focus(), [personId]);

  const submit = () => {
    if (!personId || !pin.current || !bench.current) return;
    const given = { personId, pin: pin.current.value, bench: bench.current.value };
    localStorage.setItem(benchKey, given.bench);
    start(async () => {
      const refused = await signIn(given).catch((error: unknown): Refusal => {
        if (isRedirect(error)) throw error;
        return { reason: 'server-away', values: {} };
      });
      if (refused) {
        setRefusal(refused);
        if (pin.current) pin.current.value = '';
      }
    });
  };

  return (
    <Box as="main" ref={main} display="grid" placeItems="center" minH="100vh" p="24px">
      <Box w="100%" maxW="760px">
        <Box
          display="flex"
          gap="18px"
          alignItems="center"
          mb="28px"
          pb="20px"
          borderBottomWidth="2px"
          borderColor="twine"
        >
          <ProductMark />
          <Box>
            <Box textStyle="headline" fontSize="34px" lineHeight="1.1">
              {shopName}
            </Box>
            <Box color="inkMuted">{words.productNamed({ says: words.productSays() })}</Box>
          </Box>
        </Box>
        <Box as="h1" textStyle="figure" mb="4px">
          {words.whoAtBench()}
        </Box>
        <Box as="p" color="inkMuted" mb="20px">
          {words.pressYourNumberThenType()}
        </Box>
        <Box display="grid" gridTemplateColumns={{ base: 'minmax(0, 1fr)', md: '1.2fr 1fr' }} gap="32px">
          <Box as="ul" borderTopWidth="1px" borderColor="rule">
            {people.map(({ id, name, role }, index) => (
              <li key={id}>
                <RowButton
                  press="yes"
                  state={id === personId ? 'chosen' : 'plain'}
                  onClick={() => pick(id)}
                  aria-pressed={id === personId}
                  minH="52px"
                >
                  <KeyCap name={String(index + 1)} />
                  <Box as="span" flex="1" textStyle="list" fontWeight="600">
                    {name}
                  </Box>
                  <Box as="span" textStyle="note" color="inkMuted">
                    {roleNames[role]}
                  </Box>
                </RowButton>
              </li>
            ))}
          </Box>
          <Box
            as="form"
            display="grid"
            gap="14px"
            alignContent="start"
            onSubmit={(event) => {
              event.preventDefault();
              submit();
            }}
          >
            <Field label={words.pin()}>
              <Input
                ref={pin}
                type="password"
                inputMode="numeric"
                autoComplete="off"
                maxLength={8}
                disabled={!personId}
                fontFamily="mono"
                fontSize="24px"
                minH="56px"
                letterSpacing="0.3em"
              />
            </Field>
            <Field label={words.bench()}>
              <Select ref={bench} minH="48px">
                {benches.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </Select>
            </Field>
            <Button type="submit" look="action" size="wide" disabled={!personId || isBusy}>
              <KeyCap name="Enter" />
              {words.signingIn({ isBusy: isBusy ? 'yes' : 'no' })}
            </Button>
            <RefusalAlert refusal={refusal} what={words.notSignedIn()} />
          </Box>
        </Box>
      </Box>
    </Box>
  );
}

const isRedirect = (error: unknown): boolean =>
  error instanceof Error && 'digest' in error && String(error.digest).startsWith('NEXT_REDIRECT');

/** Chooses a bench if it is one of those on offer. */
function standAt(benches: HTMLSelectElement | null, id: string | null): void {
  if (benches && [...benches.options].some(({ value }) => value === id)) benches.value = id ?? '';
}
