'use client';
import { Box } from '@chakra-ui/react';
import type { CellRecord } from '@/core/battery/cellRecord';
import type { Attribute } from '@/core/grading/attributes';
import { chancesOf, partChances, plusMinusOf, type PlusMinus } from '@/core/grading/doubt';
import { per95 } from '@/core/statistics/per95';
import type { Judgement } from '@/core/grading/gradePart';
import { grades } from '@/core/shared/grades';
import { Dialog } from '@/ui/base/Dialog';
import { Table } from '@/ui/base/Table';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { capital, number, share } from '@/words/format';
import { attributeNames, choiceName, limitingName, numberRead } from '@/words/say/attributes';
import { sayCell } from '@/words/say/sayCell';
import * as words from '@/words/catalogue/grade';

/** How the grade comes about: each reading with its interval, its limits, and the chance of every grade. */
export function Arithmetic({
  judgement,
  plusMinus,
  cell,
  onClose,
}: {
  readonly judgement: Judgement;
  readonly plusMinus: PlusMinus;
  readonly cell: CellRecord;
  readonly onClose: () => void;
}) {
  const whole = partChances(judgement, plusMinus);
  return (
    <KeyLayer>
      <Dialog title={words.arithmetic()} onClose={onClose}>
        <Table>
          <thead>
            <tr>
              <th>{words.attribute()}</th>
              <th>{words.read()}</th>
              <th>{words.limitsAre()}</th>
              <th>{words.gradeOf()}</th>
              <th>{words.chanceOfEach()}</th>
            </tr>
          </thead>
          <tbody>
            {judgement.attributes.map(({ attribute, reading, grade }) => (
              <tr key={attribute.id}>
                <td>{capital(attributeNames[attribute.id])}</td>
                <td>{sayRead(attribute, reading, plusMinus)}</td>
                <td>{sayLimits(attribute)}</td>
                <td>{grade}</td>
                <td>
                  {attribute.kind === 'number' && typeof reading === 'number'
                    ? sayChances(chancesOf(attribute, reading, plusMinusOf(attribute, plusMinus) / per95))
                    : grade}
                </td>
              </tr>
            ))}
            <tr>
              <td>
                <b>{words.worstOfThem()}</b>
              </td>
              <td colSpan={2}>{capital(limitingName(judgement.limiting))}</td>
              <td>
                <b>{judgement.grade}</b>
              </td>
              <td>{sayChances(whole)}</td>
            </tr>
          </tbody>
        </Table>
        <Box as="p" textStyle="note" color="inkMuted" pt="10px">
          {words.arithmeticSays()} {sayCell(cell)}
        </Box>
      </Dialog>
    </KeyLayer>
  );
}

function sayRead(attribute: Attribute, reading: number | string, plusMinus: PlusMinus): string {
  if (attribute.kind === 'choice') return choiceName(attribute.id, String(reading));
  return numberRead(attribute.id, Number(reading), plusMinusOf(attribute, plusMinus));
}

const sayLimits = (attribute: Attribute): string =>
  attribute.kind === 'number'
    ? Object.entries(attribute.limits)
        .map(([grade, value]) => `${grade} ${number(value)}`)
        .join(' · ')
    : attribute.choices.map(({ id, grade }) => `${grade} ${choiceName(attribute.id, id)}`).join(' · ');

const sayChances = (chances: ReturnType<typeof partChances>): string =>
  grades
    .filter((grade) => chances[grade] >= 0.005)
    .map((grade) => `${grade} ${share(chances[grade])}`)
    .join(' · ');
