'use client';
import { Box } from '@chakra-ui/react';
import { format } from 'date-fns';
import type { VersionEntry } from '@/services/models/readModelPage';
import { Section } from '@/ui/base/Section';
import { DifferenceList } from './DifferenceList';

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
            title={`Version ${version}`}
            mt={at === 0 ? '0' : '22px'}
            note={
              <>
                {format(new Date(publishedAt), 'd MMM yyyy, HH:mm')}
                {publishedBy && ` · ${publishedBy}`} ·{' '}
                <a href={`/api/models/${modelId}?version=${version}`} download={`${modelId}-${version}.json`}>
                  <Box as="span" color="action" textDecoration="underline">
                    document
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
                <Box color="inkMuted">The first.</Box>
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
