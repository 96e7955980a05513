'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { askedOf, attributeBy, isMeasured, type AttributeId, type NumberAttribute } from '@/core/grading/attributes';
import { partCategories, type PartCategory } from '@/core/procedure/vocabulary';
import { ruleFields, withRule, type RuleChange } from '@/core/rules/ruleFields';
import { gradingFault } from '@/core/shared/gradingRules';
import type { HouseRules } from '@/core/shared/houseRules';
import type { RulesView } from '@/services/rules/readRulesView';
import { Headline } from '@/ui/base/Headline';
import { RowButton } from '@/ui/base/Row';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { SettingRow } from '@/ui/base/SettingRow';
import { SidePanel } from '@/ui/base/SidePanel';
import { Ruler } from '@/ui/grade/Ruler';
import { LeadPages } from '@/ui/line/LeadPages';
import { capital, lower, moment } from '@/words/format';
import { attributeHows, attributeNames, choiceName } from '@/words/say/attributes';
import { categoryNames } from '@/words/say/names';
import * as words from '@/words/catalogue/rules';
import { ClassLimitsRows } from './ClassLimitsRows';
import { RuleChoice, RuleInput } from './RuleInputs';
import { RulesConsequences } from './RulesConsequences';
import { SaveRules } from './SaveRules';
import { useRulesDraft } from './useRulesDraft';

/** By what parts are graded: every category with its attributes, and which stocked parts a change would regrade. */
export function GradingRulesScreen({ view }: { readonly view: RulesView }) {
  const [newest] = view.history;
  if (!newest) throw new Error('GradingRulesScreen: a shop has house rules from its first day');
  return <Grading key={newest.rules.version} today={newest.rules} since={newest.at} view={view} />;
}

function Grading({
  today,
  since,
  view,
}: {
  readonly today: HouseRules;
  readonly since: string;
  readonly view: RulesView;
}) {
  const { version, ...standing } = today;
  const rulesDraft = useRulesDraft(today);
  const { draft, changes, looked, change } = rulesDraft;
  const [category, setCategory] = useState<PartCategory>('battery');
  // Fields that hold what cannot be read are drawn anew when all is dropped.
  const [dropped, setDropped] = useState(0);
  const fault = gradingFault(draft);
  const { first, optional = [] } = askedOf[category];
  return (
    <Box
      display="grid"
      gridTemplateColumns={{
        base: 'minmax(0, 1fr)',
        lg: '170px minmax(0, 1fr) 290px',
        xl: '200px minmax(0, 1fr) 340px',
      }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <Box
        as="nav"
        aria-label={words.categories()}
        borderEndWidth="1px"
        borderColor="rule"
        py="14px"
        overflowY="auto"
        maxH={{ base: '170px', lg: 'none' }}
      >
        <ul>
          {partCategories.map((each) => (
            <li key={each}>
              <RowButton
                state={each === category ? 'now' : 'plain'}
                press="yes"
                aria-pressed={each === category}
                onClick={() => setCategory(each)}
              >
                <Box as="span" flex="1">
                  {capital(categoryNames[each])}
                </Box>
                {countOf(changes, each) > 0 && <b>{words.changesCount({ count: countOf(changes, each) })}</b>}
              </RowButton>
            </li>
          ))}
        </ul>
      </Box>
      <ScrollBox label={words.gradingRules()} p="20px 26px">
        <LeadPages />
        <Headline lead={words.gradingLead({ version, since: moment(since) })}>
          {words.gradedBy({ category: capital(categoryNames[category]), count: first.length + optional.length })}
        </Headline>
        <Box as="ul" key={`${category} ${dropped}`}>
          {[...first, ...optional].map((id) => (
            <AttributeRules
              key={id}
              {...{ id, draft, fault }}
              isOptional={optional.includes(id)}
              isChanged={changes.some((each) => isAbout(each, id))}
              alsoOf={partCategories.filter((other) => other !== category && asks(other, id))}
              onChange={(rule, value) => change(withRule(draft, rule, value))}
            />
          ))}
        </Box>
        <ClassLimitsRows
          key={`classes ${category} ${dropped}`}
          attributes={[...first, ...optional].filter(isMeasured)}
          classes={view.classes[category] ?? []}
          draft={draft}
          fault={fault}
          standing={standing}
          onChange={(classLimits) => change({ ...draft, classLimits })}
        />
      </ScrollBox>
      <SidePanel minH="0" overflowY="auto">
        <RulesConsequences changes={changes} looked={looked} />
        <Box mt="auto" display="grid" gap="10px">
          <SaveRules version={version + 1} draft={rulesDraft} onDiscarded={() => setDropped((before) => before + 1)} />
        </Box>
      </SidePanel>
    </Box>
  );
}

const asks = (category: PartCategory, id: AttributeId): boolean =>
  [...askedOf[category].first, ...(askedOf[category].optional ?? [])].includes(id);

const isAbout = ({ id }: RuleChange, attribute: AttributeId): boolean => id.split('.')[1] === attribute;

const countOf = (changes: readonly RuleChange[], category: PartCategory): number =>
  changes.filter(({ id }) => asks(category, id.split('.')[1] as AttributeId)).length;

function AttributeRules({
  id,
  draft,
  fault,
  isOptional,
  isChanged,
  alsoOf,
  onChange,
}: {
  readonly id: AttributeId;
  readonly draft: Omit<HouseRules, 'version'>;
  readonly fault: ReturnType<typeof gradingFault>;
  readonly isOptional: boolean;
  readonly isChanged: boolean;
  /** Other categories that are graded by it: they change with it. */
  readonly alsoOf: readonly PartCategory[];
  readonly onChange: Parameters<typeof RuleInput>[0]['onChange'];
}) {
  const row = isMeasured(id) ? (`gradingLimits.${id}` as const) : (`gradingChoices.${id}` as const);
  const fields = ruleFields.filter((field) => field.row === row);
  const isWrong = fault?.place === row || fault?.place.startsWith(`${row}.`) === true;
  const also = alsoOf.length > 0 && words.alsoOf({ categories: alsoOf.map((each) => lower(categoryNames[each])) });
  return (
    <SettingRow
      name={capital(attributeNames[id])}
      says={[attributeHows[id], isOptional && words.optionalAttribute(), also].filter(Boolean).join(' ')}
      isChanged={isChanged}
      nameWidth="190px"
    >
      <Box display="grid" gap="10px">
        {isMeasured(id) ? (
          <>
            <Box display="flex" gap="12px" flexWrap="wrap">
              {fields.map((field) => (
                <RuleInput key={field.id} {...{ field, draft, onChange, isWrong }} isShort />
              ))}
              <Box as="span" alignSelf="center" color="inkMuted">
                {(attributeBy(draft, id) as NumberAttribute).unit}
              </Box>
            </Box>
            {!isWrong && (
              <Ruler
                attribute={attributeBy(draft, id) as NumberAttribute}
                reading={undefined}
                plusMinus={0}
                isLimiting={false}
              />
            )}
          </>
        ) : (
          <Box display="grid" gap="6px">
            {fields.map((field) => (
              <Box key={field.id} display="flex" gap="12px" alignItems="center" flexWrap="wrap">
                <Box as="span" w="170px">
                  {choiceName(id, field.id.split('.').at(-1) ?? '')}
                </Box>
                {field.kind.is === 'choice' && field.kind.among.length === 1 ? (
                  <Box as="span" color="inkMuted" textStyle="note">
                    {words.settledScrap()}
                  </Box>
                ) : (
                  <RuleChoice {...{ field, draft, onChange }} />
                )}
              </Box>
            ))}
          </Box>
        )}
        {isWrong && (
          <Box id={`${row} order`} role="alert" textStyle="note" color="danger">
            {isMeasured(id) ? words.limitsOrder() : words.choicesOrder()}
          </Box>
        )}
      </Box>
    </SettingRow>
  );
}
