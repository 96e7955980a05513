'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import type { Agreement } from '@/core/agreement/agreement';
import type { Dispute } from '@/core/agreement/disputes';
import type { Kappa } from '@/core/agreement/kappa';
import type { AgreementView } from '@/services/grade/readAgreement';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Section } from '@/ui/base/Section';
import { Table } from '@/ui/base/Table';
import { KeyButton } from '@/ui/keys/KeyButton';
import { capital, number, share } from '@/words/format';
import { attributeNames, choiceName } from '@/words/say/attributes';
import { categoryNames } from '@/words/say/names';
import * as words from '@/words/catalogue/grade';

/** How well people grade alike, on what they differ, and what would cure it. People stand by their names, in no order of merit. */
export function AgreementScreen({ view }: { readonly view: AgreementView }) {
  const router = useRouter();
  const { all, byCategory, byPerson, withOneself, disputes, people } = view;
  const [worst] = disputes;
  return (
    <Box p="24px 28px" maxW="1080px">
      <Headline
        lead={words.agreementLead()}
        aside={<KeyButton keyName="g" label={words.backToGrade()} onPress={() => router.push('/grade')} />}
      >
        {all
          ? words.agreeOn({
              percent: share(all.plain.agreed),
              pairs: all.plain.pairs,
              hasWorst: worst ? 'yes' : 'no',
              attribute: worst ? attributeNames[worst.attribute] : '',
            })
          : words.nobodyLookedAgain()}
      </Headline>
      {!all && <Nothing>{words.howToBegin()}</Nothing>}
      {disputes.length > 0 && (
        <Section title={words.whereTheyDiffer()}>
          <Box as="ul" pt="6px">
            {disputes.slice(0, 8).map((dispute) => (
              <Box
                as="li"
                key={`${dispute.category} ${dispute.attribute}`}
                py="8px"
                borderBottomWidth="1px"
                borderColor="rule"
              >
                <b>
                  {words.disputeLine({
                    category: capital(categoryNames[dispute.category]),
                    attribute: attributeNames[dispute.attribute],
                    differ: dispute.differ,
                    pairs: dispute.pairs,
                  })}
                </b>{' '}
                {sayCure(dispute)}
              </Box>
            ))}
          </Box>
        </Section>
      )}
      {all && (
        <Section title={words.alike()} mt="22px">
          <Table>
            <thead>
              <tr>
                <th>{words.of()}</th>
                <th data-figure>{words.looks()}</th>
                <th data-figure>{words.sameGrade()}</th>
                <th>{words.beyondChance()}</th>
                <th>{words.nearCounts()}</th>
              </tr>
            </thead>
            <tbody>
              <KappaRow name={words.everything()} of={all} />
              {byCategory.map(({ category, ...of }) => (
                <KappaRow key={category} name={capital(categoryNames[category])} of={of} />
              ))}
              {byPerson
                .toSorted((a, b) => (people[a.person] ?? '').localeCompare(people[b.person] ?? ''))
                .map(({ person, ...of }) => (
                  <KappaRow key={person} name={words.andTheOthers({ name: people[person] ?? '' })} of={of} />
                ))}
              {withOneself && <KappaRow name={words.withOneself()} of={withOneself} />}
            </tbody>
          </Table>
          <Box as="p" textStyle="note" color="inkMuted" pt="8px">
            {words.kappaNote()}
          </Box>
        </Section>
      )}
    </Box>
  );
}

function KappaRow({ name, of: { plain, weighted } }: { readonly name: string; readonly of: Agreement }) {
  return (
    <tr>
      <td>{name}</td>
      <td data-figure>{plain.pairs}</td>
      <td data-figure>{share(plain.agreed)}</td>
      <td>{sayKappa(plain)}</td>
      <td>{sayKappa(weighted)}</td>
    </tr>
  );
}

const sayKappa = ({ value, low, high }: Kappa): string =>
  words.kappaOf({
    hasValue: value === null ? 'no' : 'yes',
    value: number(value ?? 0),
    low: number(low),
    high: number(high),
  });

function sayCure({ attribute, cure, differ }: Dispute): string {
  if (!cure) return words.noCure({ differ });
  return cure.kind === 'limit'
    ? words.cureLimit({
        grade: cure.grade,
        from: number(cure.from),
        to: number(cure.to),
        solved: differ - cure.left,
        differ,
      })
    : words.cureWording({
        one: choiceName(attribute, cure.choices[0]),
        other: choiceName(attribute, cure.choices[1]),
        times: cure.times,
      });
}
