'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { GaugeRecord } from '@/core/battery/health';
import type { Part } from '@/core/entities/entities';
import { capOf } from '@/core/findings/partHarm';
import { attributesOf, type Attribute, type Readings } from '@/core/grading/attributes';
import { doubtful, plusMinusOf } from '@/core/grading/doubt';
import { gradePart, gradeReading, type Limiting } from '@/core/grading/gradePart';
import { askedOfPart } from '@/core/selfTest/asked';
import { judgeSelfTest } from '@/core/selfTest/judgeSelfTest';
import { limitsFor, measuredAttributes, type MeasuredAttribute } from '@/core/shared/gradingRules';
import { worstGrade, type Grade } from '@/core/shared/grades';
import type { PartKind } from '@/data/models/partKinds';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { SidePanel } from '@/ui/base/SidePanel';
import { Tag } from '@/ui/base/Tag';
import type { Shop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import { SelfTestSection } from '@/ui/selfTest/SelfTestSection';
import { limitingName } from '@/words/say/attributes';
import { sayOrigin } from '@/words/say/sayOrigin';
import { findingNames, partStateNames } from '@/words/say/names';
import * as words from '@/words/catalogue/grade';
import { Arithmetic } from './Arithmetic';
import { useHeardParts } from '@/ui/instruments/useHeardParts';
import { AttributeRow } from './AttributeRow';
import { BatteryBench } from './battery/BatteryBench';
import { believed } from './battery/believed';
import { TwoReadings } from './battery/TwoReadings';
import { GradeNow, InDoubt } from './GradeNow';
import { useReadings } from './useReadings';

const isMeasured = (id: string): id is MeasuredAttribute => Object.hasOwn(measuredAttributes, id);

/** One attribute after the other, the grade live beside them with what limits it. */
export function GradeOnePart({
  part,
  kind,
  from,
  gauge,
  shop,
  onLooked,
}: {
  readonly part: Part;
  readonly kind: PartKind;
  readonly from: string;
  readonly gauge: GaugeRecord;
  readonly shop: Shop;
  /** Present on a second look: what was graded before is not shown, and this is told once it is recorded. */
  readonly onLooked?: (grade: Grade, limiting: Limiting) => void;
}) {
  const rules = useHouseRules();
  const attributes = attributesOf(part, rules);
  const { readings, plusMinus, times, cell, read, readAgain, keepCell, forget } = useReadings(
    part,
    onLooked !== undefined,
  );
  const [wanted, setWanted] = useState<{ readonly id: string; readonly isAgain: boolean } | null>(null);
  const [isExplained, setExplained] = useState(false);
  const isRead = (id: string) => readings[id] !== undefined;
  const current = wanted?.id ?? attributes.find(({ id, isOptional }) => !isOptional && !isRead(id))?.id ?? null;
  const judged = gradePart(part, readings, rules);
  const judgement = judged.ok ? judged.value : null;
  const cap = capOf(part.category, part.findings);
  const soFar = worstGrade(attributes.flatMap((attribute) => gradeOf(attribute, readings) ?? []));
  const grade = judgement?.grade ?? soFar;
  const asked = attributes.filter(({ isOptional }) => !isOptional);
  const readCount = asked.filter(({ id }) => isRead(id)).length;
  const [inDoubt] = judgement ? doubtful(judgement, plusMinus) : [];
  const fused = believed(cell, gauge);
  const name = kind.name.charAt(0).toUpperCase() + kind.name.slice(1);
  const take = (attribute: Attribute, reading: number | string) => {
    if (wanted?.isAgain) readAgain(attribute, reading);
    else read(attribute.id, reading);
    setWanted(null);
  };
  const heard = useHeardParts(
    part.tag,
    [
      ...new Set([
        ...(current === null ? [] : [current]),
        ...attributes.map(({ id }) => id).filter((id) => !isRead(id)),
        ...attributes.map(({ id }) => id),
      ]),
    ].filter(isMeasured),
    (wish, value, spread) => {
      const attribute = attributes.find(({ id }) => id === wish);
      if (!attribute) return;
      if (wanted?.isAgain && wanted.id === attribute.id) readAgain(attribute, value);
      else read(attribute.id, value, spread);
      setWanted(null);
    },
  );
  const settle = () => {
    if (onLooked && judgement && shop.act('part-looked-again', part.id, { readings }).ok) {
      forget();
      onLooked(judgement.grade, judgement.limiting);
    }
    if (onLooked) return;
    const said = Object.fromEntries(Object.entries(plusMinus).filter(([id]) => isRead(id)));
    const more = { ...(Object.keys(said).length > 0 && { plusMinus: said }), ...(hasSome(cell) && { cell }) };
    if (judged.ok && shop.act('part-graded', part.id, { readings, ...more }).ok) forget();
  };
  // Each press one further up, from the one that is being read.
  const currentAt = attributes.findIndex(({ id }) => id === current);
  const before = currentAt < 0 ? attributes : attributes.slice(0, currentAt);
  const lastRead = before.findLast(({ id }) => isRead(id))?.id ?? null;
  useKey(
    'Backspace',
    words.previousReading(),
    () => setWanted(lastRead === null ? null : { id: lastRead, isAgain: false }),
    lastRead !== null,
  );

  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 270px', xl: 'minmax(0, 1fr) 330px' }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <ScrollBox label={name} p="20px 26px" minW="0">
        <Headline
          lead={(part.bought ? words.boughtPart : words.fromAtTeardown)({
            modelName: kind.modelName,
            origin: sayOrigin(part, from),
            anUnknownUnit: from || words.unknownUnit(),
            state: onLooked ? words.secondLook() : partStateNames[part.state],
            handling: kind.handling && ` · ${kind.handling}`,
          })}
          aside={onLooked ? <Box textStyle="code">{part.tag}</Box> : <Tag code={part.tag} href={`/t/${part.tag}`} />}
        >
          {name}:{' '}
          {judgement
            ? words.limitedBy({
                grade: grade === 'X' ? words.scrap2() : grade,
                limiting: limitingName(judgement.limiting),
              })
            : words.ofRead({ readCount, attributes: asked.length })}
        </Headline>
        {part.reservedFor !== undefined && !onLooked && (
          <Box color="waiting" fontWeight="600" mb="8px">
            {words.promisedTo({ for: part.reservedFor })}
          </Box>
        )}
        {part.reuse === 'asked' && kind.reusableIf && (
          <Caution tone="waiting" what="">
            {words.reuseAsks({ question: kind.reusableIf })}
          </Caution>
        )}
        {heard.said && (
          <Box role="status" textStyle="note" mb="8px" color={heard.isFault ? 'danger' : 'sound'}>
            {heard.said}
          </Box>
        )}
        {part.category === 'battery' && (
          <BatteryBench
            part={part}
            shop={onLooked ? null : shop}
            readings={readings}
            cell={cell}
            kind={kind}
            limits={limitsFor(rules, 'capacityShare', part.interchange)}
            gauge={gauge}
            run={heard.run}
            onCell={keepCell}
          />
        )}
        {!onLooked && !part.bought && (
          <Box mb="14px">
            <SelfTestSection
              unitId={part.unitId}
              part={part.tag}
              version={part.version}
              asked={askedOfPart(part.category)}
              onUse={(own) => keepCell({}, judgeSelfTest(own, rules).readings as Readings)}
            />
          </Box>
        )}
        <Box as="ul">
          {attributes.map((attribute) => (
            <AttributeRow
              key={attribute.id}
              attribute={attribute}
              reading={readings[attribute.id]}
              plusMinus={attribute.kind === 'number' ? plusMinusOf(attribute, plusMinus) : 0}
              times={
                wanted?.isAgain && wanted.id === attribute.id ? (times[attribute.id] ?? 1) : (times[attribute.id] ?? 0)
              }
              grade={gradeOf(attribute, readings)}
              isCurrent={attribute.id === current}
              isLimiting={judgement?.limiting === attribute.id && grade !== 'A'}
              onRead={(reading) => take(attribute, reading)}
              onWanted={() => setWanted({ id: attribute.id, isAgain: false })}
            />
          ))}
        </Box>
      </ScrollBox>
      <SidePanel minH="0" overflowY="auto">
        <GradeNow {...{ kind, judgement, grade }} hasBegun={readCount > 0} />
        {judgement && inDoubt && (
          <InDoubt
            judgement={judgement}
            attribute={inDoubt}
            plusMinus={plusMinus}
            kind={kind}
            onAgain={() => setWanted({ id: inDoubt.id, isAgain: true })}
          />
        )}
        {fused && <TwoReadings cell={cell} fused={fused} gauge={gauge} />}
        {cap && (
          <Caution tone="waiting" what={words.atBest({ grade: cap.grade })}>
            {words.inItsUnit({ finding: findingNames[cap.finding] })}
          </Caution>
        )}
        {!part.isDataCleared && (
          <Box color="danger" fontWeight="600">
            {words.mayHoldPersonalDataDestroy()}
          </Box>
        )}
        <Box mt="auto" display="grid" gap="10px">
          {judgement && (
            <KeyButton keyName="e" label={words.arithmetic()} size="small" onPress={() => setExplained(true)} />
          )}
          <KeyButton
            records
            keyName=" "
            label={
              onLooked
                ? words.recordSecondLook()
                : words.scrapNext({
                    isJudgedOk: judged.ok ? 'yes' : 'no',
                    isGradeX: grade === 'X' ? 'yes' : 'no',
                    grade,
                  })
            }
            look="action"
            size="wide"
            isEnabled={judged.ok}
            onPress={settle}
          />
          <Box display="grid" gridTemplateColumns="1fr 1fr" gap="10px">
            <KeyButton records keyName="u" label={words.undo()} onPress={() => void shop.takeBack()} />
            {!onLooked && (
              <KeyButton
                records
                keyName="x"
                label={words.scrap()}
                look="danger"
                onPress={() => void shop.act('part-scrapped', part.id, { because: words.scrappedAtGrading() })}
              />
            )}
          </Box>
        </Box>
      </SidePanel>
      {isExplained && judgement && (
        <Arithmetic judgement={judgement} plusMinus={plusMinus} cell={cell} onClose={() => setExplained(false)} />
      )}
    </Box>
  );
}

const hasSome = (record: object): boolean => Object.keys(record).length > 0;

function gradeOf(attribute: Attribute, readings: Readings): Grade | undefined {
  const reading = readings[attribute.id];
  return reading === undefined ? undefined : gradeReading(attribute, reading);
}
