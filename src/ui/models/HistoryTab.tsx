'use client';
import { Box } from '@chakra-ui/react';
import { moment } from '@/words/format';
import type { VersionEntry } from '@/services/models/readModelPage';
import { Section } from '@/ui/base/Section';
import { DifferenceList } from './DifferenceList';
import * as words from '@/words/catalogue/models';

/** The versions of a model, newest first, each with what changed in words. */
export function HistoryTab({
  modelId,
  versions,
}: {
  readonly modelId: string;
  readonly versions: readonly VersionEntry[];
}) {
  return (
    <Box p="20px 28px" borderTopWidth="1px" borderColor="rule">
      <Box maxW="900px">
        {versions.map(({ version, note, publishedBy, publishedAt, differences }, at) => (
          <Section
            key={version}
            title={words.version({ version })}
            mt={at === 0 ? '0' : '22px'}
            note={
              <>
                {moment(publishedAt)}
                {publishedBy && ` · ${publishedBy}`} ·{' '}
                <a href={`/api/models/${modelId}?version=${version}`} download={words.json({ modelId, version })}>
                  <Box as="span" color="action" textDecoration="underline">
                    {words.document()}
                  </Box>
                </a>
              </>
            }
          >
            {note && (
              <Box pt="8px" fontWeight="600">
                {note}
              </Box>
            )}
            <Box pt="6px">
              {at === versions.length - 1 ? (
                <Box color="inkMuted">{words.firstVersion()}</Box>
              ) : (
                <DifferenceList differences={differences} />
              )}
            </Box>
          </Section>
        ))}
      </Box>
    </Box>
  );
}
