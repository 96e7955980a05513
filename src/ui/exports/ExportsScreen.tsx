'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import type { ReadKey } from '@/data/reading/readKeyRepository';
import type { ExportsView } from '@/services/reading/readExports';
import { Button } from '@/ui/base/Button';
import { Field } from '@/ui/base/Field';
import { Headline } from '@/ui/base/Headline';
import { Input } from '@/ui/base/Input';
import { Nothing } from '@/ui/base/Nothing';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { LeadPages } from '@/ui/line/LeadPages';
import { send } from '@/ui/server/send';
import { day, moment } from '@/words/format';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import * as words from '@/words/catalogue/exports';

const files = [
  [words.units(), '/api/v1/units?as=csv', words.csv()],
  [words.parts(), '/api/v1/parts?as=csv', words.csv()],
  [words.stock(), '/api/v1/stock?as=csv', words.csv()],
  [words.yields(), '/api/v1/yields?as=csv', words.csv()],
  [words.facts(), '/api/facts/export', words.csv()],
  [words.rules(), '/api/rules', words.json()],
] as const;

/** All that leaves the shop: as files, and for programs of its own that read along. */
export function ExportsScreen({ view: { keys, archives } }: { readonly view: ExportsView }) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [made, setMade] = useState<{ readonly name: string; readonly key: string } | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, start] = useTransition();
  const make = () =>
    start(async () => {
      const outcome = await send<{ key: string }>('POST', '/api/read-keys', { name });
      setRefusal(outcome.ok ? null : outcome.refusal);
      if (outcome.ok) {
        setMade({ name: name.trim(), key: outcome.value.key });
        setName('');
      }
      router.refresh();
    });
  const revoke = ({ id }: ReadKey) =>
    start(async () => {
      const outcome = await send('DELETE', `/api/read-keys/${id}`);
      setRefusal(outcome.ok ? null : outcome.refusal);
      router.refresh();
    });
  return (
    <Box p="20px 28px" maxW="900px">
      <LeadPages />
      <Headline lead={words.lead()}>{words.dataOut()}</Headline>
      <Section title={words.asFiles()} note={words.asOfNow()}>
        <Box as="ul">
          {files.map(([what, href, kind]) => (
            <Row key={href} minH="46px">
              <Box flex="1">{what}</Box>
              <a href={href} download aria-label={words.download({ what, kind })}>
                <Box as="span" color="action" textDecoration="underline">
                  {kind}
                </Box>
              </a>
            </Row>
          ))}
        </Box>
      </Section>
      {archives.length > 0 && (
        <Section title={words.archives()} note={words.archivesSay()} mt="28px">
          <Box as="ul">
            {archives.map(({ id, file, units, facts, leftBefore, isHere }) => (
              <Row key={id} minH="46px">
                <Box flex="1">
                  {file}
                  <Box textStyle="note" color="inkMuted">
                    {words.archiveHolds({ facts, units, day: day(leftBefore) })}
                  </Box>
                </Box>
                {isHere ? (
                  <a
                    href={`/api/archives/${id}`}
                    download
                    aria-label={words.download({ what: file, kind: words.gzip() })}
                  >
                    <Box as="span" color="action" textDecoration="underline">
                      {words.gzip()}
                    </Box>
                  </a>
                ) : (
                  <Box color="waiting">{words.archiveNotHere()}</Box>
                )}
              </Row>
            ))}
          </Box>
        </Section>
      )}
      <Section title={words.readAlong()} note={words.readOnly()} mt="28px">
        <Box py="10px" color="inkMuted">
          {words.readAlongSays()}{' '}
          <a href="/api/v1/openapi.json" target="_blank" rel="noreferrer">
            <Box as="span" color="action" textDecoration="underline">
              {words.openApi()}
            </Box>
          </a>
        </Box>
        <Box
          as="form"
          display="flex"
          gap="10px"
          alignItems="flex-end"
          mb="12px"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim() !== '') make();
          }}
        >
          <Field label={words.whoReads()}>
            <Input
              w="280px"
              maxLength={60}
              autoComplete="off"
              placeholder={words.whoReadsFor()}
              value={name}
              onChange={({ currentTarget: { value } }) => setName(value)}
              onKeyDown={({ key, currentTarget }) => key === 'Escape' && currentTarget.blur()}
            />
          </Field>
          <Button type="submit" look="action" disabled={name.trim() === '' || isBusy}>
            {words.makeKey()}
          </Button>
        </Box>
        <RefusalAlert refusal={refusal} />
        {made && (
          <Box borderWidth="2px" borderColor="twine" borderRadius="soft" p="16px" mb="12px" aria-live="polite">
            <Box textStyle="section">{words.keyOf({ name: made.name })}</Box>
            <Box fontFamily="mono" wordBreak="break-all" py="6px" data-key>
              {made.key}
            </Box>
            <Box textStyle="note" color="inkMuted" mb="10px">
              {words.keyOnce()}
            </Box>
            <Button size="small" onClick={() => setMade(null)}>
              {words.keyNoted()}
            </Button>
          </Box>
        )}
        {keys.length === 0 && <Nothing>{words.nobodyReads()}</Nothing>}
        <Box as="ul">
          {keys.map((key) => (
            <Row key={key.id} minH="52px" state={key.isRevoked ? 'faint' : 'plain'}>
              <Box flex="1" minW="0">
                <Box fontWeight="600">{key.name}</Box>
                <Box textStyle="note" color="inkMuted">
                  {words.keySays({
                    by: key.madeBy,
                    made: day(key.madeAt),
                    isUsed: key.lastUsedAt ? 'yes' : 'no',
                    used: key.lastUsedAt ? moment(key.lastUsedAt) : '',
                  })}
                </Box>
              </Box>
              {key.isRevoked ? (
                words.revoked()
              ) : (
                <Button
                  size="small"
                  look="danger"
                  disabled={isBusy}
                  aria-label={words.revokeNamed({ name: key.name })}
                  onClick={() => revoke(key)}
                >
                  {words.revoke()}
                </Button>
              )}
            </Row>
          ))}
        </Box>
      </Section>
    </Box>
  );
}
