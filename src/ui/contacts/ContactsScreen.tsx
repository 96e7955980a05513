'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { Contact, Dealings } from '@/core/contacts/contacts';
import type { Refusal } from '@/core/shared/outcome';
import { AddByName } from '@/ui/base/AddByName';
import { Button } from '@/ui/base/Button';
import { Headline } from '@/ui/base/Headline';
import { Input } from '@/ui/base/Input';
import { Nothing } from '@/ui/base/Nothing';
import { Section } from '@/ui/base/Section';
import { SettingRow } from '@/ui/base/SettingRow';
import { LeadPages } from '@/ui/line/LeadPages';
import { send } from '@/ui/server/send';
import { day } from '@/words/format';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import * as words from '@/words/catalogue/contacts';

const groups = [
  { kind: 'supplier', title: words.suppliers(), newName: words.newSupplier(), add: words.addSupplier() },
  { kind: 'customer', title: words.customers(), newName: words.newCustomer(), add: words.addCustomer() },
] as const;

/** Who parcels come from and who shipments go to, with what was counted of each, and where they are. */
export function ContactsScreen({ contacts }: { readonly contacts: readonly Dealings[] }) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, start] = useTransition();
  const save = (contact: Contact, then = () => {}) =>
    start(async () => {
      const outcome = await send<Contact>('PUT', '/api/contacts', contact);
      setRefusal(outcome.ok ? null : outcome.refusal);
      if (outcome.ok) then();
      router.refresh();
    });
  return (
    <Box p="20px 28px" maxW="960px">
      <LeadPages />
      <Headline lead={words.lead()}>{words.suppliersAndCustomers()}</Headline>
      <RefusalAlert refusal={refusal} />
      {groups.map(({ kind, title, newName, add }, at) => {
        const own = contacts.filter((contact) => contact.kind === kind);
        return (
          <Section key={kind} title={title} mt={at > 0 ? '30px' : '0'}>
            {own.length === 0 && <Nothing>{words.nobodyYet()}</Nothing>}
            <ul>
              {own.map((contact) => (
                <ContactRow
                  // Another address from elsewhere begins a new field.
                  key={`${contact.name} ${contact.address}`}
                  contact={contact}
                  isBusy={isBusy}
                  onSave={(address) => save({ kind, name: contact.name, address })}
                />
              ))}
            </ul>
            <AddByName
              {...{ add, isBusy, refusal }}
              label={newName}
              most={80}
              onAdd={(name, then) => save({ kind, name, address: null }, then)}
            />
          </Section>
        );
      })}
    </Box>
  );
}

function ContactRow({
  contact: { kind, name, address, lots, units, lastOn },
  isBusy,
  onSave,
}: {
  readonly contact: Dealings;
  readonly isBusy: boolean;
  readonly onSave: (address: string | null) => void;
}) {
  const [typed, setTyped] = useState(address ?? '');
  const plain = typed.trim() || null;
  const dealings = { lots, units, lastOn: lastOn === null ? '' : day(lastOn) };
  return (
    <SettingRow
      name={name}
      says={kind === 'supplier' ? words.supplierDealings(dealings) : words.customerDealings(dealings)}
      nameWidth="300px"
    >
      <Box display="flex" gap="12px">
        <Input
          aria-label={words.addressOf({ name })}
          placeholder={words.noAddress()}
          maxLength={200}
          autoComplete="off"
          value={typed}
          onChange={({ currentTarget: { value } }) => setTyped(value)}
          onKeyDown={({ key, currentTarget }) => {
            if (key === 'Enter' && plain !== address) onSave(plain);
            if (key === 'Escape') setTyped(address ?? '');
            if (key === 'Enter' || key === 'Escape') currentTarget.blur();
          }}
        />
        <Button
          size="small"
          look={plain !== address ? 'action' : 'quiet'}
          disabled={isBusy || plain === address}
          aria-label={words.saveAddressOf({ name })}
          onClick={() => onSave(plain)}
        >
          {words.saveAddress()}
        </Button>
      </Box>
    </SettingRow>
  );
}
