'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { isCertified, type Member } from '@/core/people/roster';
import type { PeopleView } from '@/services/people/readPeople';
import { Headline } from '@/ui/base/Headline';
import { ListRow } from '@/ui/base/ListRow';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useChosen } from '@/ui/keys/useChosen';
import { LeadPages } from '@/ui/line/LeadPages';
import { day } from '@/words/format';
import { roleNames } from '@/words/say/names';
import * as words from '@/words/catalogue/people';
import { BenchList } from './BenchList';
import { BitTable } from './BitTable';
import { MemberPanel } from './MemberPanel';
import { PinSlip, type NewPin } from './PinSlip';
import { SessionList } from './SessionList';
import { ShopChangeList } from './ShopChangeList';

/** Who works here, what each may do and where, and the benches: changed on the spot, with what was changed before. */
export function PeopleScreen({ view, self }: { readonly view: PeopleView; readonly self: string }) {
  const { members, benches, bits, changes, sessions, today } = view;
  const here = members.filter(({ hasLeft }) => !hasLeft);
  const gone = members.filter(({ hasLeft }) => hasLeft);
  const { chosen, choose } = useChosen([...here, ...gone].map(({ id }) => id));
  const [pin, setPin] = useState<NewPin | null>(null);
  const [isAdding, setAdding] = useState(false);
  const member = isAdding ? null : members.find(({ id }) => id === chosen);
  const pick = (id: string) => {
    setAdding(false);
    choose(id);
  };
  const row = (each: Member) => (
    <li key={each.id}>
      <ListRow
        isChosen={each === member}
        state={each === member ? 'chosen' : each.hasLeft ? 'faint' : 'plain'}
        aria-pressed={each === member}
        onClick={() => pick(each.id)}
        minH="52px"
      >
        <Box as="span" flex="1" minW="0">
          <Box as="span" display="block" textStyle="list" fontWeight="600">
            {each.name}
            {each.id === self && (
              <Box as="span" fontWeight="400" color="inkMuted">
                {words.thatIsYou()}
              </Box>
            )}
          </Box>
          <Box as="span" display="block" textStyle="note" color="inkMuted">
            {[benches.find(({ id }) => id === each.usualBench)?.name, certificateOf(each, today)]
              .filter(Boolean)
              .join(' · ')}
          </Box>
        </Box>
        <Box as="span" textStyle="note">
          {roleNames[each.role]}
        </Box>
      </ListRow>
    </li>
  );
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 330px', xl: 'minmax(0, 1fr) 390px' }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <ScrollBox label={words.people()} p="20px 28px">
        <LeadPages />
        <Headline
          lead={words.peopleLead()}
          aside={<KeyButton keyName="n" label={words.addPerson()} look="outline" onPress={() => setAdding(true)} />}
        >
          {words.peopleCount({ count: here.length })}
        </Headline>
        <Box as="ul" mx="-14px">
          {here.map(row)}
        </Box>
        {gone.length > 0 && (
          <Section title={words.haveLeft()} note={words.theirWorkStays()} mt="26px">
            <Box as="ul" mx="-14px">
              {gone.map(row)}
            </Box>
          </Section>
        )}
        <SessionList sessions={sessions} benches={benches} />
        <BenchList benches={benches} />
        <BitTable bits={bits} benches={benches} />
        <ShopChangeList changes={changes} benches={benches} />
      </ScrollBox>
      <SidePanel minH="0" overflowY="auto">
        {pin ? (
          <PinSlip {...pin} onSeen={() => setPin(null)} />
        ) : (
          <MemberPanel
            key={member?.id ?? 'new'}
            member={member ?? null}
            benches={benches}
            isSelf={member?.id === self}
            onAdded={pick}
            onPin={setPin}
          />
        )}
      </SidePanel>
    </Box>
  );
}

function certificateOf(member: Member, today: string): string {
  if (member.certifiedUntil === null) return '';
  const until = day(member.certifiedUntil);
  return isCertified(member, today) ? words.certifiedUntil({ until }) : words.certificateOver({ until });
}
