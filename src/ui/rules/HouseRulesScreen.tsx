'use client';
import { Box } from '@chakra-ui/react';
import Link from 'next/link';
import { useRef, useState } from 'react';
import {
  ruleFields,
  ruleSections,
  withRule,
  type EditableRules,
  type RuleField,
  type RuleId,
  type RuleSection,
} from '@/core/rules/ruleFields';
import type { HouseRules } from '@/core/shared/houseRules';
import { refuse } from '@/core/shared/outcome';
import type { RulesView } from '@/services/rules/readRulesView';
import { Button } from '@/ui/base/Button';
import { Headline } from '@/ui/base/Headline';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { LeadPages } from '@/ui/line/LeadPages';
import { useShopStore } from '@/ui/facts/ShopProvider';
import { moment } from '@/words/format';
import { ruleSectionNames } from '@/words/say/ruleWords';
import * as words from '@/words/catalogue/rules';
import { RuleRow } from './RuleRow';
import { RulesConsequences } from './RulesConsequences';
import { SaveRules } from './SaveRules';
import { lookAt, useRulesDraft } from './useRulesDraft';

/** How this shop works: every rule with what it changes, and what would change before it is saved. */
export function HouseRulesScreen({ view }: { readonly view: RulesView }) {
  const [newest] = view.history;
  if (!newest) throw new Error('HouseRulesScreen: a shop has house rules from its first day');
  // A new version begins a new draft.
  return <Rules key={newest.rules.version} today={newest.rules} since={newest.at} view={view} />;
}

function Rules({
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
  // Fields that hold what cannot be read are drawn anew when a whole document is taken.
  const [taken, setTaken] = useState(0);
  const take = (rules: EditableRules) => {
    change(rules);
    setTaken((before) => before + 1);
  };
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 300px', xl: 'minmax(0, 1fr) 350px' }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <ScrollBox label={words.howWeWorkHere()} p="20px 28px">
        <LeadPages />
        <Headline lead={words.lead({ version, since: moment(since) })}>{words.howWeWorkHere()}</Headline>
        <SectionLinks changed={new Set(changes.map(({ id }) => id))} />
        <Box display="grid" gap="26px">
          {ruleSections.map((section) => (
            <Section key={section} id={`rules-${section}`} title={ruleSectionNames[section]}>
              <ul>
                {section === 'grading' && <ToGradingRules />}
                {rowsOf(section).map((fields) => (
                  <RuleRow
                    key={`${fields[0]?.id} ${taken}`}
                    fields={fields}
                    draft={draft}
                    standing={standing}
                    names={view.tools}
                    onChange={(id, value) => change(withRule(draft, id, value))}
                  />
                ))}
              </ul>
            </Section>
          ))}
        </Box>
      </ScrollBox>
      <SidePanel minH="0" overflowY="auto">
        <RulesConsequences changes={changes} looked={looked} />
        <EarlierVersions view={view} onTake={take} />
        <Box mt="auto" display="grid" gap="10px">
          <Box display="grid" gridTemplateColumns="1fr 1fr" gap="10px">
            <Box as="span" display="flex" alignItems="center" justifyContent="center">
              <a href="/api/rules" download>
                <Box as="span" color="action" textDecoration="underline">
                  {words.exportDocument()}
                </Box>
              </a>
            </Box>
            <ImportDocument onTake={take} />
          </Box>
          <SaveRules version={version + 1} draft={rulesDraft} onDiscarded={() => setTaken((before) => before + 1)} />
        </Box>
      </SidePanel>
    </Box>
  );
}

/** The rows of a section, each of one field or of those that are read together. */
function rowsOf(section: RuleSection): readonly (readonly RuleField[])[] {
  const rows = new Map<string, RuleField[]>();
  // Grading has a screen of its own, with its rulers.
  if (section === 'grading') return [];
  for (const field of ruleFields.filter((each) => each.section === section)) {
    const row = field.row ?? field.id;
    rows.set(row, [...(rows.get(row) ?? []), field]);
  }
  return [...rows.values()];
}

function ToGradingRules() {
  return (
    <Box as="li" py="10px">
      <Link href="/rules/grading" prefetch={false}>
        <Box as="span" color="action" textDecoration="underline">
          {words.toGradingRules()}
        </Box>
      </Link>
    </Box>
  );
}

/** The sections, each one press away, with how much of it is changed. */
function SectionLinks({ changed }: { readonly changed: ReadonlySet<RuleId> }) {
  return (
    <Box
      as="nav"
      aria-label={words.sections()}
      display="flex"
      flexWrap="wrap"
      gap="6px 18px"
      mb="20px"
      textStyle="note"
    >
      {ruleSections.map((section) => {
        const count = ruleFields.filter((field) => field.section === section && changed.has(field.id)).length;
        return (
          <a key={section} href={`#rules-${section}`}>
            <Box as="span" display="inline-block" py="5px" color="action" textDecoration="underline">
              {ruleSectionNames[section]}
            </Box>
            {count > 0 && (
              <Box as="b" pl="6px">
                {words.changesCount({ count })}
              </Box>
            )}
          </a>
        );
      })}
    </Box>
  );
}

/** What the rules were, each of which can be taken again: as changes to save, like any other. */
function EarlierVersions({
  view,
  onTake,
}: {
  readonly view: RulesView;
  readonly onTake: (rules: EditableRules) => void;
}) {
  const earlier = view.history.slice(1);
  if (earlier.length === 0) return null;
  return (
    <Section title={words.before()}>
      <Box as="ul">
        {earlier.map(({ rules: { version, ...rules }, at, by }) => (
          <Box as="li" key={version} display="flex" gap="10px" alignItems="center" py="6px" textStyle="note">
            <Box flex="1">
              {words.versionLine({
                version,
                isFirst: version === 1 ? 'yes' : 'no',
                at: moment(at),
                hasName: by === null ? 'no' : 'yes',
                name: by ?? '',
              })}
            </Box>
            <Button size="small" aria-label={words.takeVersion({ version })} onClick={() => onTake(rules)}>
              {words.takeAgain()}
            </Button>
          </Box>
        ))}
      </Box>
    </Section>
  );
}

/** A document from a file becomes changes on the screen, once the server has read it. */
function ImportDocument({ onTake }: { readonly onTake: (rules: EditableRules) => void }) {
  const store = useShopStore();
  const field = useRef<HTMLInputElement>(null);
  const read = async (file: File | undefined) => {
    if (!file) return;
    let document: unknown;
    try {
      document = JSON.parse(await file.text());
    } catch {
      return store.show({ reason: 'rules-invalid', values: { place: 'document', fault: 'not-json' } });
    }
    const outcome =
      typeof document === 'object' && document !== null
        ? await lookAt(document)
        : refuse('rules-invalid', { place: 'document', fault: 'type' });
    if (!outcome.ok) return store.show(outcome.refusal);
    store.show(null);
    const { format: _, ...rules } = document as EditableRules & { readonly format: string };
    onTake(rules);
  };
  return (
    <>
      <Button size="small" onClick={() => field.current?.click()}>
        {words.importDocument()}
      </Button>
      <input
        ref={field}
        type="file"
        accept="application/json,.json"
        hidden
        aria-label={words.importDocument()}
        onChange={(event) => {
          const { currentTarget } = event;
          void read(currentTarget.files?.[0]).finally(() => (currentTarget.value = ''));
        }}
      />
    </>
  );
}
