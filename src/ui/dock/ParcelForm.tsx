'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { v4 as makeId } from 'uuid';
import type { Parcel } from '@/core/entities/entities';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { useShopStore } from '@/ui/facts/ShopProvider';
import { readMoney } from '@/words/say/readMoney';
import * as words from '@/words/catalogue/dock';

interface ParcelFormProps {
  readonly today: string;
  /** The parcel whose papers are put right; a new one is made without it. */
  readonly parcel?: Parcel;
  /** Whether nothing of it was tagged, so that it may be deleted. */
  readonly isEmpty?: boolean;
  /** Those known already, offered while one types: the same name keeps columns and record together. */
  readonly suppliers: readonly string[];
  readonly onClose: () => void;
}

const written = (cents: number | undefined): string | undefined =>
  cents === undefined ? undefined : (cents / 100).toFixed(2);

/** A parcel is made, or put right, from what stands on its papers. */
export function ParcelForm({ today, parcel, isEmpty = false, suppliers, onClose }: ParcelFormProps) {
  const router = useRouter();
  const store = useShopStore();
  const seeds = { models: [], parcels: parcel ? [parcel] : [] };
  const remove = () => {
    if (!parcel || !store.act(seeds, 'parcel-removed', parcel.id, {}).ok) return;
    onClose();
    router.push('/dock');
  };
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
    const payload = {
      code: text('code'),
      supplier: text('supplier'),
      pricePaidCents,
      transportCents,
      receivedOn: text('receivedOn'),
    };
    if (parcel) {
      if (store.act(seeds, 'parcel-corrected', parcel.id, payload).ok) onClose();
      return;
    }
    const id = makeId();
    if (!store.act(seeds, 'parcel-made', id, payload).ok) return;
    onClose();
    // The page lists it as soon as the server has it.
    setTimeout(() => router.push(`/dock?parcel=${id}`), 250);
  };
  return (
    <Dialog title={parcel ? words.correctParcel() : words.newParcel()} onClose={onClose}>
      <form onSubmit={submit}>
        <Box display="grid" gridTemplateColumns="1fr 1fr" gap="14px">
          <Field label={words.name()} isWide>
            <Input
              name="code"
              defaultValue={parcel?.code}
              required
              minLength={2}
              maxLength={40}
              placeholder={words.ferryLineSpringLot()}
              autoFocus
            />
          </Field>
          <Field label={words.supplier()} isWide>
            <Input
              name="supplier"
              defaultValue={parcel?.supplier}
              required
              maxLength={80}
              list="known-suppliers"
              autoComplete="off"
            />
            <datalist id="known-suppliers">
              {suppliers.map((name) => (
                <option key={name} value={name} />
              ))}
            </datalist>
          </Field>
          <Field label={words.pricePaid()}>
            <Input
              name="price"
              defaultValue={written(parcel?.pricePaidCents)}
              required
              inputMode="decimal"
              placeholder="860.00"
            />
          </Field>
          <Field label={words.transport()}>
            <Input
              name="transport"
              defaultValue={written(parcel?.transportCents)}
              inputMode="decimal"
              placeholder="0.00"
            />
          </Field>
          <Field label={words.receivedOn()}>
            <Input name="receivedOn" type="date" required defaultValue={parcel?.receivedOn ?? today} />
          </Field>
        </Box>
        <Box mt="16px">{problem && <Caution what={words.notYet()}>{problem}</Caution>}</Box>
        <Button type="submit" look="action" size="wide" mt="16px" w="100%">
          <KeyCap name="Enter" /> {parcel ? words.saveCorrection() : words.addParcel()}
        </Button>
        {parcel && (
          <Button look="danger" mt="10px" w="100%" disabled={!isEmpty} onClick={remove}>
            {isEmpty ? words.deleteParcel() : words.deleteParcelNotEmpty()}
          </Button>
        )}
      </form>
    </Dialog>
  );
}
