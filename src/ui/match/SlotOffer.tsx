'use client';
import { Box } from '@chakra-ui/react';
import type { OnItsWay } from '@/core/matching/onItsWay';
import type { Part, Unit } from '@/core/entities/entities';
import type { SlotNeed } from '@/core/sale/slots';
import type { RankedPart } from '@/core/matching/rankForSlot';
import { sayReason } from '@/words/say/slotReasons';
import { Punches } from '@/ui/base/Punches';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as words from '@/words/catalogue/match';

interface SlotOfferProps {
  readonly unit: Unit;
  readonly need: SlotNeed;
  readonly offers: readonly RankedPart<Part>[];
  /** They are on their way from the server. */
  /** One that was promised to the unit and is on its way. */
  readonly coming: OnItsWay | undefined;
  readonly isLoading: boolean;
  readonly assigned: Part | undefined;
  readonly onAssign: (partId: string) => void;
  readonly onRelease: () => void;
}

const shownOffers = 4;

/** What fits a slot, best first, with the money each choice leaves. */
export function SlotOffer({ unit, need, offers, coming, isLoading, assigned, onAssign, onRelease }: SlotOfferProps) {
  const [best, second] = offers;
  return (
    <Box minH="118px">
      <Box textStyle="lead">{sentence()}</Box>
      {coming && !assigned && (
        <Box color="waiting" fontWeight="600">
          {words.promisedOf({ from: coming.from, at: coming.at.replace('-', '_') })}
        </Box>
      )}
      <Box textStyle="note" color="inkMuted" mb="10px">
        {best && second && !assigned
          ? words.nextBest({
              tag: second.part.tag,
              gainCents: whyFirst(best, second),
            })
          : need.isNeeded
            ? words.itsOwnPartOut({ because: sayReason(need.because) })
            : words.itsOwnPartCountsAs()}
      </Box>
      <Box display="flex" gap="8px" flexWrap="wrap">
        {assigned && <KeyButton records keyName="x" label={words.putBack({ tag: assigned.tag })} onPress={onRelease} />}
        {offers.slice(0, shownOffers).map(({ part, sellsAt, gainCents, moves, brings }, index) => (
          <KeyButton
            records
            key={part.id}
            keyName={String(index + 1)}
            label={words.takeGradeFrom({ tag: part.tag, grade: part.grade, bin: part.bin })}
            look={index === 0 && !assigned ? 'outline' : 'quiet'}
            onPress={() => onAssign(part.id)}
          >
            <Box as="span" display="inline-flex" gap="10px" alignItems="center" color="ink">
              <Box as="span" textStyle="code">
                {part.tag}
              </Box>
              {part.grade && <Punches grade={part.grade} />}
              <Box as="span" color="inkMuted" fontWeight="400">
                {words.sellsAtLeaves({ bin: part.bin, sellsAt, gainCents })}
                {brings.length > 0 && words.bringsAlong({ parts: brings })}
                {moves.length > 0 &&
                  words.movesOver({
                    count: moves.length,
                    taken: moves.reduce((sum, { minutes }) => sum + minutes, 0),
                  })}
              </Box>
            </Box>
          </KeyButton>
        ))}
      </Box>
    </Box>
  );

  function sentence(): string {
    if (assigned)
      return words.getsFromGrade({
        tag: unit.tag,
        name: need.part.name,
        tag2: assigned.tag,
        theShelf: assigned.bin ?? words.theShelf(),
        grade: assigned.grade,
      });
    if (best)
      return words.needsGradeThenSellsAt({
        tag: unit.tag,
        isNeeded: need.isNeeded ? 'yes' : 'no',
        name: need.part.name,
        tag2: best.part.tag,
        grade: best.part.grade,
        sellsAt: best.sellsAt,
        priceCents: best.priceCents,
      });
    if (isLoading) return words.partsOnTheirWay();
    return need.isNeeded
      ? words.noMatchingOnShelfDonor({ name: need.part.name, tag: unit.tag })
      : words.noOtherOnShelf({ name: need.part.name });
  }
}

/** Why the best goes before the next: more profit, a lower grade for the same, or only its age. */
function whyFirst(best: RankedPart<Part>, second: RankedPart<Part>): string {
  if (best.part.reservedFor !== undefined && second.part.reservedFor === undefined) return words.keptForThisUnit();
  if (best.gainCents !== second.gainCents) return words.lessProfit({ gainCents: best.gainCents - second.gainCents });
  return best.part.grade === second.part.grade ? words.worthSameOlderUsed() : words.worthSameLowerGradeUsed();
}
