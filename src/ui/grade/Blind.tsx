'use client';
import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import type { Part } from '@/core/entities/entities';
import type { Limiting } from '@/core/grading/gradePart';
import type { Grade } from '@/core/shared/grades';
import type { PartKind } from '@/data/models/partKinds';
import { RowButton } from '@/ui/base/Row';
import { limitingName } from '@/words/say/attributes';
import * as words from '@/words/catalogue/grade';

/** What a second look said, beside what had been said before. */
export interface Looked {
  readonly tag: string;
  readonly first: Grade | null;
  readonly firstBy: string | null;
  readonly grade: Grade;
  readonly limiting: Limiting;
}

/** Stored parts that somebody looks at again without seeing their grade, and what came of the last look. */
export function Blind({
  blind,
  kindOf,
  chosen,
  looked,
  onChoose,
}: {
  readonly blind: readonly Part[];
  readonly kindOf: (part: Part) => PartKind;
  readonly chosen: string | undefined;
  readonly looked: Looked | null;
  readonly onChoose: (id: string) => void;
}) {
  return (
    <Box as="section" aria-label={words.lookAgainBlind()} pt="22px">
      <Box as="h2" textStyle="section" px="14px" mb="8px">
        {words.lookAgainBlind()}
      </Box>
      {looked && (
        <Box px="14px" pb="10px" textStyle="note" role="status">
          {words.lookedAt({
            tag: looked.tag,
            isSame: looked.first === looked.grade ? 'yes' : 'no',
            first: looked.first ?? '',
            firstBy: looked.firstBy ? limitingName(looked.firstBy) : '',
            second: looked.grade,
            secondBy: limitingName(looked.limiting),
          })}{' '}
          {looked.first !== looked.grade && (
            <Link href={`/t/${looked.tag}`} prefetch={false}>
              <Box as="span" color="action" textDecoration="underline">
                {words.settleIt({ tag: looked.tag })}
              </Box>
            </Link>
          )}
        </Box>
      )}
      <ul>
        {blind.map((part) => (
          <li key={part.id}>
            <RowButton
              state={part.id === chosen ? 'now' : 'plain'}
              press="yes"
              aria-pressed={part.id === chosen}
              onClick={() => onChoose(part.id)}
            >
              <Box as="span" textStyle="code" whiteSpace="nowrap">
                {part.tag}
              </Box>
              <Box as="span" textStyle="note">
                {kindOf(part).name}
              </Box>
            </RowButton>
          </li>
        ))}
      </ul>
      <Box px="14px" pt="10px" textStyle="caption" color="inkMuted">
        {blind.length > 0 ? words.whyBlind({ bin: blind[0]?.bin ?? '' }) : words.noneToLookAt()}{' '}
        <Link href="/grade/agreement" prefetch={false}>
          <Box as="span" color="action" textDecoration="underline">
            {words.howAlike()}
          </Box>
        </Link>
      </Box>
    </Box>
  );
}
