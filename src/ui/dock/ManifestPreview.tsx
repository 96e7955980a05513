'use client';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import type { ColumnMapping } from '@/core/intake/columnMapping';
import type { BadRow, ManifestLine } from '@/core/intake/readManifest';
import type { Refusal } from '@/core/shared/outcome';
import { say as sayIntake } from '@/words/catalogue/core/intake';
import * as counts from '@/words/catalogue/counts';
import * as words from '@/words/catalogue/dock';

/** What the server makes of a list before it is taken in. */
export interface Preview {
  readonly encoding: string;
  readonly separator: string;
  readonly lineCount: number;
  readonly firstLines: readonly ManifestLine[];
  readonly badRows: readonly BadRow[];
  readonly columns: Readonly<Record<string, string>>;
  readonly head: readonly string[];
  readonly sample: readonly (readonly string[])[];
  readonly mapping: ColumnMapping;
  /** Why no row can be taken as it is; null when some can. */
  readonly unread: Refusal | null;
}

const separatorNames: Readonly<Record<string, string>> = {
  ',': words.commas(),
  ';': words.semicolons(),
  '\t': words.tabs(),
  '|': words.bars(),
};
const shownBadRows = 50;

/** What would be taken of a list, what not and why; below it what to do about that. */
export function ManifestPreview({ preview, children }: { readonly preview: Preview; readonly children: ReactNode }) {
  return (
    <>
      <Box textStyle="lead" fontWeight="600" mt="10px">
        {counts.goodRows({ count: preview.lineCount })},{' '}
        {preview.badRows.length === 0 ? words.noProblems() : words.withProblem({ badRows: preview.badRows.length })}
      </Box>
      <Box textStyle="note" color="inkMuted" mb="10px">
        {words.separatedByColumns({
          encoding: preview.encoding,
          separator: separatorNames[preview.separator],
          heading: Object.entries(preview.columns)
            .map(([field, heading]) => `${field} = “${heading}”`)
            .join(', '),
        })}
      </Box>
      {preview.badRows.length > 0 && (
        <Box
          as="ul"
          maxH="180px"
          overflowY="auto"
          borderTopWidth="1px"
          borderColor="rule"
          tabIndex={0}
          aria-label={words.rowsWithProblems()}
        >
          {preview.badRows.slice(0, shownBadRows).map((row) => (
            <Box as="li" key={row.fileLine} py="6px" borderBottomWidth="1px" borderColor="rule" textStyle="note">
              <Box as="span" color="danger" fontWeight="600">
                {words.line({ fileLine: row.fileLine, problem: sayIntake(row.problem) })}
              </Box>
              <Box
                fontFamily="mono"
                fontSize="12px"
                color="inkMuted"
                overflow="hidden"
                textOverflow="ellipsis"
                whiteSpace="nowrap"
              >
                {row.text}
              </Box>
            </Box>
          ))}
          {preview.badRows.length > shownBadRows && (
            <Box py="6px">{words.andMore({ shownBadRows: preview.badRows.length - shownBadRows })}</Box>
          )}
        </Box>
      )}
      <Box as="ul" mt="10px" textStyle="note" fontFamily="mono">
        {preview.firstLines.slice(0, 4).map((line) => (
          <li key={line.lineNo}>
            {line.lineNo} {line.maker} {line.model} {line.serial}
          </li>
        ))}
        {preview.lineCount > 4 && <li>…</li>}
      </Box>
      {children}
    </>
  );
}
