'use client';
import { Box } from '@chakra-ui/react';
import type { Model } from '@/core/procedure/model';
import { applyPatch } from '@/core/procedure/patch';
import { saleGrades } from '@/core/shared/grades';
import { readCents, sayCents } from './cents';
import { ChoiceCell, TextCell } from './FieldRow';
import { categoryNames, slotKindNames, yesOrNo } from '@/words/say/names';
import * as words from '@/words/catalogue/editor';

const columns = 'minmax(110px, 1.2fr) minmax(90px, 1fr) 96px minmax(110px, 1.2fr) 104px 140px 58px';
const heads = [
  words.part(),
  words.otherNames(),
  words.category(),
  words.fitsClass(),
  words.slot(),
  words.priceBCD2(),
  words.once(),
];

/** The parts as they were named in the lines: what they are, what they fit, what they are worth. */
export function PartsTable({ model, onChange }: { readonly model: Model; readonly onChange: (model: Model) => void }) {
  const set = (at: number, field: string, value: unknown) =>
    onChange(applyPatch(model, [{ path: ['parts', at, field], value }]));
  return (
    <Box role="table" aria-label={words.parts()}>
      <Box
        role="row"
        display="grid"
        gridTemplateColumns={columns}
        gap="6px"
        textStyle="caption"
        color="inkMuted"
        pb="4px"
      >
        {heads.map((head) => (
          <span role="columnheader" key={head}>
            {head}
          </span>
        ))}
      </Box>
      {model.parts.map((part, at) => (
        <Box role="row" key={part.id} display="grid" gridTemplateColumns={columns} gap="6px" py="2px">
          <div role="cell">
            <TextCell
              label={words.name2({ id: part.id })}
              value={part.name}
              read={(text) => text.trim() !== ''}
              onTake={(text) => set(at, 'name', text.trim())}
            />
          </div>
          <div role="cell">
            <TextCell
              label={words.otherNames2({ id: part.id })}
              value={part.aliases.join(', ')}
              onTake={(text) =>
                set(
                  at,
                  'aliases',
                  text
                    .split(',')
                    .map((name) => name.trim())
                    .filter(Boolean),
                )
              }
            />
          </div>
          <div role="cell">
            <ChoiceCell
              label={words.category2({ id: part.id })}
              value={part.category}
              names={categoryNames}
              onTake={(word) => set(at, 'category', word)}
            />
          </div>
          <div role="cell">
            <TextCell
              label={words.classWord({ id: part.id })}
              value={part.interchange}
              read={(text) => /^[a-z0-9][a-z0-9-]{0,59}$/.test(text)}
              onTake={(text) => set(at, 'interchange', text)}
            />
          </div>
          <div role="cell">
            <ChoiceCell
              label={words.slot2({ id: part.id })}
              value={part.slot ?? ''}
              names={slotKindNames}
              mayBeNone
              onTake={(word) => set(at, 'slot', word === '' ? undefined : word)}
            />
          </div>
          <div role="cell">
            <TextCell
              label={words.prices({ id: part.id })}
              value={
                part.valueCents ? saleGrades.map((grade) => sayCents(part.valueCents?.[grade] ?? 0)).join(' ') : ''
              }
              read={(text) => text.trim() === '' || readCents(text) !== null}
              onTake={(text) => set(at, 'valueCents', readCents(text) ?? undefined)}
            />
          </div>
          <div role="cell">
            <ChoiceCell
              label={words.singleUse({ id: part.id })}
              value={part.singleUse ? 'yes' : 'no'}
              names={yesOrNo}
              onTake={(word) => set(at, 'singleUse', word === 'yes' ? true : undefined)}
            />
          </div>
        </Box>
      ))}
      {model.parts.length === 0 && (
        <Box color="inkMuted" py="12px">
          {words.partsComeFromLinesName()}
        </Box>
      )}
    </Box>
  );
}
