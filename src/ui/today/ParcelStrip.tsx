'use client';
import { units as unitCount } from '@/words/catalogue/counts';
import { whole } from '@/words/format';
import { Box, chakra } from '@chakra-ui/react';
import Link from 'next/link';
import type { UnitStage } from '@/core/entities/stages';
import type { ParcelProgress } from '@/services/today/readToday';
import * as texts from '@/words/catalogue/today';

type Fate = 'sold' | 'parts' | 'work' | 'out' | 'open';

const fates: Readonly<Record<UnitStage, Fate>> = {
  triage: 'open',
  teardown: 'work',
  match: 'work',
  rebuild: 'work',
  prove: 'work',
  send: 'sold',
  sent: 'sold',
  spent: 'parts',
  recycled: 'out',
  'kept-apart': 'out',
};

const mostBoxes = 160;

/** One styled element, however many boxes are in it. */
const Strip = chakra('div', {
  base: {
    display: 'flex',
    flexWrap: 'wrap',
    gap: '2px',
    my: '6px',
    '& > i': { w: '9px', h: '14px', borderRadius: '1px' },
    '& > [data-fate=sold]': { bg: 'sound' },
    '& > [data-fate=work]': { bg: 'action' },
    '& > [data-fate=parts]': { bg: 'twine' },
    '& > [data-fate=out]': { bg: 'danger' },
    '& > [data-fate=open]': { bg: 'sunk', borderWidth: '1px', borderStyle: 'solid', borderColor: 'rule' },
  },
});
const words: Readonly<Record<Fate, string>> = {
  sold: texts.soldOrReady(),
  work: texts.inProgress(),
  parts: texts.forParts(),
  out: texts.keptApartOrRecycled(),
  open: texts.toDo(),
};
const order: readonly Fate[] = ['sold', 'work', 'parts', 'out', 'open'];

/** A parcel as a strip of its units, each coloured by what became of it, with the counts in words. */
export function ParcelStrip({ parcel, stages, untagged }: ParcelProgress) {
  const counts = new Map<Fate, number>(order.map((fate) => [fate, 0]));
  for (const { stage, count } of stages) counts.set(fates[stage], (counts.get(fates[stage]) ?? 0) + count);
  counts.set('open', (counts.get('open') ?? 0) + untagged);
  const total = [...counts.values()].reduce((sum, count) => sum + count, 0);
  // In a large parcel a box stands for several units, so that the strip keeps its shares.
  const each = Math.ceil(total / mostBoxes);
  const says = order.flatMap((fate) =>
    (counts.get(fate) ?? 0) > 0 ? [`${whole(counts.get(fate) ?? 0)} ${words[fate]}`] : [],
  );
  return (
    <Box py="10px" borderBottomWidth="1px" borderColor="rule">
      <Link prefetch={false} href={`/dock?parcel=${parcel.id}`}>
        <Box display="flex" justifyContent="space-between" gap="12px">
          <Box as="span" textStyle="section">
            {parcel.code}
          </Box>
          <Box as="span" textStyle="note">
            {unitCount({ count: total })}
          </Box>
        </Box>
      </Link>
      <Strip aria-hidden>
        {order.flatMap((fate) =>
          Array.from({ length: Math.ceil((counts.get(fate) ?? 0) / each) }, (_, at) => (
            <i key={`${fate}${at}`} data-fate={fate} />
          )),
        )}
      </Strip>
      <Box textStyle="note" color="inkMuted">
        {says.join(' · ')}
      </Box>
    </Box>
  );
}
