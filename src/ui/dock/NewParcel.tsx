'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { v4 as makeId } from 'uuid';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { useShopStore } from '@/ui/facts/ShopProvider';
import { readMoney } from '@/words/say/readMoney';
import * as words from '@/words/catalogue/dock';

/** A parcel is made from what stands on its papers. */
export function NewParcel({
  today,
  suppliers,
  onClose,
}: {
  readonly today: string;
  /** Those known already, offered while one types: the same name keeps columns and record together. */
  readonly suppliers: readonly string[];
  readonly onClose: () => void;
}) {
  const router = useRouter();
  const store = useShopStore();
  const [problem, setProblem] = useState<string | null>(null);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const text = (name: string) => String(form.get(name) ?? '').trim();
    const pricePaidCents = readMoney(text('price'));
    const transportCents = readMoney(text('transport') || '0');
    if (pricePaidCents === undefined || transportCents === undefined) {
      setProblem(words.writeAmountsLike860Or());
      return;
    }
    const id = makeId();
    const payload = {
      code: text('code'),
      supplier: text('supplier'),
      pricePaidCents,
      transportCents,
      receivedOn: text('receivedOn'),
    };
    if (!store.act({ models: [] }, 'parcel-made', id, payload).ok) return;
    onClose();
    // The page lists it as soon as the server has it.
    setTimeout(() => router.push(`/dock?parcel=${id}`), 250);
  };
  return (
    <Dialog title={words.newParcel()} onClose={onClose}>
      <form onSubmit={submit}>
        <Box display="grid" gridTemplateColumns="1fr 1fr" gap="14px">
          <Field label={words.name()} isWide>
            <Input
              name="code"
              required
              minLength={2}
              maxLength={40}
              placeholder={words.ferryLineSpringLot()}
              autoFocus
            />
          </Field>
          <Field label={words.supplier()} isWide>
            <Input name="supplier" required maxLength={80} list="known-suppliers" autoComplete="off" />
            <datalist id="known-suppliers">
              {suppliers.map((name) => (
                <option key={name} value={name} />
              ))}
            </datalist>
          </Field>
          <Field label={words.pricePaid()}>
            <Input name="price" required inputMode="decimal" placeholder="860.00" />
          </Field>
          <Field label={words.transport()}>
            <Input name="transport" inputMode="decimal" placeholder="0.00" />
          </Field>
          <Field label={words.receivedOn()}>
            <Input name="receivedOn" type="date" required defaultValue={today} />
          </Field>
        </Box>
        <Box mt="16px">{problem && <Caution what={words.notYet()}>{problem}</Caution>}</Box>
        <Button type="submit" look="action" size="wide" mt="16px" w="100%">
          <KeyCap name="Enter" /> {words.addParcel()}
        </Button>
      </form>
    </Dialog>
  );
}
