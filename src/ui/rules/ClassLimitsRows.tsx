'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { EditableRules } from '@/core/rules/ruleFields';
import { limitedGrades, type ClassLimits, type gradingFault, type MeasuredAttribute } from '@/core/shared/gradingRules';
import { Button } from '@/ui/base/Button';
import { Input, Select } from '@/ui/base/Input';
import { Section } from '@/ui/base/Section';
import { SettingRow } from '@/ui/base/SettingRow';
import { capital } from '@/words/format';
import { attributeNames } from '@/words/say/attributes';
import { readSigned, writeNumber } from '@/words/say/readNumber';
import * as words from '@/words/catalogue/rules';

/** Limits of single classes of parts, in the place of those of all. */
export function ClassLimitsRows({
  attributes,
  classes,
  draft,
  standing,
  fault,
  onChange,
}: {
  readonly attributes: readonly MeasuredAttribute[];
  /** Interchange classes of the category, as the models name them. */
  readonly classes: readonly string[];
  readonly draft: EditableRules;
  readonly standing: EditableRules;
  readonly fault: ReturnType<typeof gradingFault>;
  readonly onChange: (limits: readonly ClassLimits[]) => void;
}) {
  const [interchange, setInterchange] = useState(classes[0] ?? '');
  const [attribute, setAttribute] = useState(attributes[0]);
  const own = draft.classLimits.filter(
    (each) => attributes.includes(each.attribute) && classes.includes(each.interchange),
  );
  const has = own.some((each) => each.interchange === interchange && each.attribute === attribute);
  if (attributes.length === 0 || classes.length === 0) return null;
  return (
    <Section title={words.classLimits()} note={words.classLimitsSays()} mt="22px">
      <ul>
        {own.map((each) => {
          const at = draft.classLimits.indexOf(each);
          const was = standing.classLimits.find(
            (other) => other.interchange === each.interchange && other.attribute === each.attribute,
          );
          const isWrong = fault?.place === `classLimits.${at}`;
          return (
            <SettingRow
              key={`${each.interchange} ${each.attribute}`}
              name={each.interchange}
              says={capital(attributeNames[each.attribute])}
              isChanged={JSON.stringify(was) !== JSON.stringify(each)}
            >
              <Box display="flex" gap="12px" flexWrap="wrap" alignItems="center">
                {limitedGrades.map((grade) => (
                  <Box key={grade} as="label" display="flex" gap="8px" alignItems="center">
                    <b>{grade}</b>
                    <Input
                      w="76px"
                      inputMode="decimal"
                      aria-label={words.limitOf({
                        name: `${each.interchange} ${attributeNames[each.attribute]}`,
                        grade,
                      })}
                      aria-invalid={isWrong || undefined}
                      defaultValue={writeNumber(each.limits[grade])}
                      onChange={({ currentTarget }) => {
                        const value = readSigned(currentTarget.value);
                        if (value === undefined) return;
                        const next = { ...each, limits: { ...each.limits, [grade]: value } };
                        onChange(draft.classLimits.map((other) => (other === each ? next : other)));
                      }}
                    />
                  </Box>
                ))}
                <Button size="small" onClick={() => onChange(draft.classLimits.filter((other) => other !== each))}>
                  {words.dropClass()}
                </Button>
                {isWrong && (
                  <Box role="alert" textStyle="note" color="danger">
                    {words.limitsOrder()}
                  </Box>
                )}
              </Box>
            </SettingRow>
          );
        })}
      </ul>
      <Box display="flex" gap="10px" flexWrap="wrap" py="10px">
        <Select
          aria-label={words.classOfParts()}
          value={interchange}
          onChange={({ currentTarget }) => setInterchange(currentTarget.value)}
        >
          {classes.map((each) => (
            <option key={each}>{each}</option>
          ))}
        </Select>
        <Select
          aria-label={words.attributeOfClass()}
          value={attribute}
          onChange={({ currentTarget }) => setAttribute(currentTarget.value as MeasuredAttribute)}
        >
          {attributes.map((each) => (
            <option key={each} value={each}>
              {capital(attributeNames[each])}
            </option>
          ))}
        </Select>
        <Button
          size="small"
          disabled={has || attribute === undefined}
          onClick={() =>
            attribute &&
            onChange([...draft.classLimits, { interchange, attribute, limits: draft.gradingLimits[attribute] }])
          }
        >
          {words.addClass()}
        </Button>
      </Box>
    </Section>
  );
}
