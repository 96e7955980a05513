'use client';
import { Box } from '@chakra-ui/react';
import type { NumberAttribute } from '@/core/grading/attributes';
import type { PlusMinus } from '@/core/grading/doubt';
import type { Judgement } from '@/core/grading/gradePart';
import { liftOf, type Needed } from '@/core/grading/liftOf';
import { readingMinutes, secondReading } from '@/core/grading/secondReading';
import { measuredAttributes } from '@/core/shared/gradingRules';
import type { Grade } from '@/core/shared/grades';
import type { PartKind } from '@/data/models/partKinds';
import { Punches } from '@/ui/base/Punches';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import { number } from '@/words/format';
import { attributeNames, choiceName, limitingName } from '@/words/say/attributes';
import * as words from '@/words/catalogue/grade';

/** The grade so far, what it fetches, and what would lift it. */
export function GradeNow({
  kind,
  judgement,
  grade,
  hasBegun,
}: {
  readonly kind: PartKind;
  /** Null until all is read. */
  readonly judgement: Judgement | null;
  readonly grade: Grade;
  readonly hasBegun: boolean;
}) {
  const lift = judgement && liftOf(judgement);
  const worth = (of: Grade) => kind.valueCents[of] ?? 0;
  return (
    <Section title={words.grade({ isJudgedOk: judgement ? 'yes' : 'no' })}>
      <Box py="14px">
        {hasBegun ? <Punches grade={grade} size="large" /> : <Box color="inkMuted">{words.nothingReadYet()}</Box>}
      </Box>
      <Box color="inkMuted">
        {judgement && grade !== 'X' && words.fetches({ grade: worth(grade) })}
        {lift && (
          <>
            {' '}
            {words.wouldBeBy({
              grade: lift.to,
              needs: lift.needs.map(sayNeed),
              hasPrice: kind.valueCents[lift.to] === undefined ? 'no' : 'yes',
              moreCents: worth(lift.to) - worth(grade),
            })}
          </>
        )}
        {judgement?.cap && ` ${words.wouldBeOtherwise({ without: judgement.without })}`}
        {judgement && grade === 'A' && ` ${words.nothingLimits()}`}
        {!judgement && words.worstAttributeDecidesReadAll()}
        {judgement && grade !== 'A' && !lift && !judgement.cap && ` ${limitingName(judgement.limiting)}.`}
      </Box>
    </Section>
  );
}

const sayNeed = ({ attribute, value }: Needed): string =>
  typeof value === 'string'
    ? words.needChoice({ name: attributeNames[attribute], choice: choiceName(attribute, value) })
    : words.needNumber({
        name: attributeNames[attribute],
        value: number(value),
        unit:
          attribute in measuredAttributes ? measuredAttributes[attribute as keyof typeof measuredAttributes].unit : '',
      });

/** The attribute whose interval crosses a limit: how often that grade is wrong, what it costs, and whether a second reading pays. */
export function InDoubt({
  judgement,
  attribute,
  plusMinus,
  kind,
  onAgain,
}: {
  readonly judgement: Judgement;
  readonly attribute: NumberAttribute;
  readonly plusMinus: PlusMinus;
  readonly kind: PartKind;
  readonly onAgain: () => void;
}) {
  const { labourCentsPerMinute } = useHouseRules();
  const weighed = secondReading(judgement, attribute, plusMinus, kind.valueCents);
  if (!weighed) return null;
  const worth = weighed.centsNow - weighed.centsAfter;
  const costs = readingMinutes[attribute.instrument] * labourCentsPerMinute;
  const pays = worth > costs;
  return (
    <Section title={words.inDoubt()}>
      <Box py="8px" textStyle="note">
        {words.crossesLimit({
          name: attributeNames[attribute.id],
          chances: Math.round(100 * weighed.wrongNow),
          costs: Math.round(weighed.centsNow),
        })}{' '}
        <b>{words.secondWorth({ worth: Math.round(worth), costs: Math.round(costs), pays: pays ? 'yes' : 'no' })}</b>
      </Box>
      <KeyButton
        records
        keyName="m"
        label={words.measureAgain()}
        look={pays ? 'action' : 'quiet'}
        size="small"
        onPress={onAgain}
      />
    </Section>
  );
}
