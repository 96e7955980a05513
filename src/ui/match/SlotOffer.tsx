'use client';
import { Box } from '@chakra-ui/react';
import type { Part, Unit } from '@/core/bench/entities';
import type { SlotNeed } from '@/core/bench/slots';
import type { RankedPart } from '@/core/matching/rankForSlot';
import { money } from '@/core/shared/money';
import { Punches } from '@/ui/base/Punches';
import { KeyButton } from '@/ui/keys/KeyButton';

interface SlotOfferProps {
  readonly unit: Unit;
  readonly need: SlotNeed;
  readonly offers: readonly RankedPart<Part>[];
  readonly assigned: Part | undefined;
  readonly onAssign: (partId: string) => void;
  readonly onRelease: () => void;
}

const shownOffers = 4;

/** What fits a slot, best first, with the money each choice leaves. */
export function SlotOffer({ unit, need, offers, assigned, onAssign, onRelease }: SlotOfferProps) {
  const [best, second] = offers;
  return (
    <Box minH="118px">
      <Box textStyle="lead">{sentence()}</Box>
      <Box textStyle="note" color="inkMuted" mb="10px">
        {best && second && !assigned
          ? `Next best: ${second.part.tag}, ${best.gainCents === second.gainCents ? 'worth as much; the lower grade is used first' : `${money(best.gainCents - second.gainCents)} less for the shop`}.`
          : need.isNeeded
            ? `Its own is out: ${need.because}.`
            : 'Its own part is taken as sound.'}
      </Box>
      <Box display="flex" gap="8px" flexWrap="wrap">
        {assigned && <KeyButton keyName="x" label={`Put ${assigned.tag} back`} onPress={onRelease} />}
        {offers.slice(0, shownOffers).map(({ part, sellsAt, gainCents }, index) => (
          <KeyButton
            key={part.id}
            keyName={String(index + 1)}
            label={`Take ${part.tag}, grade ${part.grade}, from ${part.bin}`}
            look={index === 0 && !assigned ? 'outline' : 'quiet'}
            onPress={() => onAssign(part.id)}
          >
            <Box as="span" display="inline-flex" gap="10px" alignItems="center" color="ink">
              <Box as="span" textStyle="code">
                {part.tag}
              </Box>
              {part.grade && <Punches grade={part.grade} />}
              <Box as="span" color="inkMuted" fontWeight="400">
                {part.bin} · sells at {sellsAt}, leaves {money(gainCents)}
              </Box>
            </Box>
          </KeyButton>
        ))}
      </Box>
    </Box>
  );

  function sentence(): string {
    if (assigned)
      return `${unit.tag} takes the ${need.part.name} ${assigned.tag} from ${assigned.bin ?? 'the shelf'}, grade ${assigned.grade}.`;
    if (best)
      return `${unit.tag} ${need.isNeeded ? 'needs' : 'could take'} a ${need.part.name}: ${best.part.tag}, grade ${best.part.grade}, sells it at ${best.sellsAt} for ${money(best.priceCents)}.`;
    return need.isNeeded
      ? `No ${need.part.name} that fits is on the shelf. A donor of this class, or a purchase, would free ${unit.tag}.`
      : `No other ${need.part.name} is on the shelf.`;
  }
}
