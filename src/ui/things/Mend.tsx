'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Part, Unit } from '@/core/entities/entities';
import { gradedAgainAt, recalledFrom } from '@/core/entities/stages';
import { Button } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { useShop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import * as words from '@/words/catalogue/things';

/** What can be put right about a unit by name: its decision and all before it, or the grade it was released at. */
export function MendUnit({ unit: served }: { readonly unit: Unit }) {
  const router = useRouter();
  const seeds = useMemo(() => ({ models: [], units: [served] }), [served]);
  const shop = useShop(seeds);
  const unit = shop.units.find(({ id }) => id === served.id) ?? served;
  const [isAsking, setAsking] = useState(false);
  const [because, setBecause] = useState('');
  const recall = () => {
    setAsking(false);
    if (shop.act('unit-recalled', unit.id, { because: because.trim() }).ok) router.push(`/triage?unit=${unit.tag}`);
  };
  const isBuilt = Object.keys(unit.fitted).length > 0;
  return (
    <>
      {unit.stage === 'send' && (
        <KeyButton
          records
          keyName="w"
          label={words.withdrawRelease()}
          onPress={() => {
            if (shop.act('release-withdrawn', unit.id, {}).ok) router.push(`/prove?unit=${unit.tag}`);
          }}
        />
      )}
      {recalledFrom.includes(unit.stage) && !isBuilt && (
        <KeyButton records keyName="b" label={words.backToTriage()} onPress={() => setAsking(true)} />
      )}
      {isAsking && (
        <KeyLayer>
          <Dialog title={words.backToTriageNamed({ tag: unit.tag })} onClose={() => setAsking(false)}>
            <form
              onSubmit={(event) => {
                event.preventDefault();
                recall();
              }}
            >
              <Box mb="12px">{words.backToTriageSays()}</Box>
              <Field label={words.why()}>
                <Input
                  required
                  maxLength={100}
                  autoFocus
                  autoComplete="off"
                  placeholder={words.whyFor()}
                  value={because}
                  onChange={({ currentTarget: { value } }) => setBecause(value)}
                />
              </Field>
              <Button type="submit" look="action" size="wide" mt="16px" w="100%" disabled={because.trim() === ''}>
                <KeyCap name="Enter" /> {words.backToTriage()}
              </Button>
            </form>
          </Dialog>
        </KeyLayer>
      )}
    </>
  );
}

/** A part that lies somewhere is graded again where it lies. */
export function MendPart({ part }: { readonly part: Part }) {
  const router = useRouter();
  if (!gradedAgainAt.includes(part.place)) return null;
  return (
    <KeyButton records keyName="g" label={words.gradeAgain()} onPress={() => router.push(`/grade?part=${part.tag}`)} />
  );
}
