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
import type { Outcome } from '@/core/shared/outcome';
import { sayRefusal } from '@/words/say/sentences';
import { readMoney } from '@/words/say/readMoney';
import * as words from '@/words/catalogue/dock';

interface ParcelFormProps {
  readonly today: string;
  /** The parcel whose papers are put right; a new one is made without it. */
  readonly parcel?: Parcel;
  /** All that there are. */
  readonly known: readonly Parcel[];
  /** Whether nothing of it was tagged, so that it may be deleted. */
  readonly isEmpty?: boolean;
  /** Those known already, offered while one types: the same name keeps columns and record together. */
  readonly suppliers: readonly string[];
  readonly onClose: () => void;
}

const written = (cents: number | undefined): string | undefined =>
  cents === undefined ? undefined : (cents / 100).toFixed(2);

/** A parcel is made, or put right, from what stands on its papers. */
export function ParcelForm({ today, parcel, known, isEmpty = false, suppliers, onClose }: ParcelFormProps) {
  const router = useRouter();
  const store = useShopStore();
  // All of them: a name that is taken is told here, while what was typed is still in its fields.
  const seeds = { models: [], parcels: known };
  const remove = () => {
    if (!parcel || !store.act(seeds, 'parcel-removed', parcel.id, {}).ok) return;
    onClose();
    router.push('/dock');
  };
  const [problem, setProblem] = useState<{ readonly fields: readonly string[]; readonly says: string } | null>(null);
  const refused = (outcome: Outcome<string>): boolean => {
    if (outcome.ok) return false;
    // Said in the form itself, which lies over the rest of the screen.
    store.show(null);
    setProblem({ fields: ['code'], says: sayRefusal(outcome.refusal) });
    return true;
  };
  const marked = (field: string) => ({ 'aria-invalid': problem?.fields.includes(field) || undefined });
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const text = (name: string) => String(form.get(name) ?? '').trim();
    const pricePaidCents = readMoney(text('price'));
    const transportCents = readMoney(text('transport') || '0');
    if (pricePaidCents === undefined || transportCents === undefined) {
      const fields = [
        ...(pricePaidCents === undefined ? ['price'] : []),
        ...(transportCents === undefined ? ['transport'] : []),
      ];
      setProblem({ fields, says: words.writeAmountsLike860Or() });
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
      if (!refused(store.act(seeds, 'parcel-corrected', parcel.id, payload))) onClose();
      return;
    }
    const id = makeId();
    if (refused(store.act(seeds, 'parcel-made', id, payload))) return;
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
              {...marked('code')}
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
              {...marked('supplier')}
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
              {...marked('price')}
              defaultValue={written(parcel?.pricePaidCents)}
              required
              inputMode="decimal"
              placeholder="860.00"
            />
          </Field>
          <Field label={words.transport()}>
            <Input
              name="transport"
              {...marked('transport')}
              defaultValue={written(parcel?.transportCents)}
              inputMode="decimal"
              placeholder="0.00"
            />
          </Field>
          <Field label={words.receivedOn()}>
            <Input name="receivedOn" type="date" required defaultValue={parcel?.receivedOn ?? today} />
          </Field>
        </Box>
        <Box mt="16px">
          {problem && (
            <div role="alert">
              <Caution what={words.notYet()}>{problem.says}</Caution>
            </div>
          )}
        </Box>
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
