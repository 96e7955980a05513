'use client';
import * as counts from '@/words/catalogue/counts';
import { Box } from '@chakra-ui/react';
import type { Span } from '@/core/intake/drawParcels';
import type { ParcelForecast } from '@/core/intake/forecastParcel';
import { RangeBar } from '@/ui/base/RangeBar';
import { Section } from '@/ui/base/Section';
import * as words from '@/words/catalogue/dock';

/** Parts that are shown by name; the rest is summed up by their number. */
const shownParts = 6;

/** What a parcel is expected to give beside what was paid, and the most that would have been worth paying. */
export function ParcelGives({
  forecast,
  hasFailed,
  paidCents,
}: {
  readonly forecast: ParcelForecast | null;
  readonly hasFailed: boolean;
  readonly paidCents: number;
}) {
  if (!forecast) {
    return (
      <Section title={words.expectedResult()}>
        <Box pt="10px" color="inkMuted" role="status">
          {words.couldNotBeComputedTried({ hasFailed: hasFailed ? 'yes' : 'no' })}
        </Box>
      </Section>
    );
  }
  const { cents, builds, donors, parts, known, unknown, neverSeen } = forecast;
  if (known === 0) {
    return (
      <Section title={words.expectedResult()}>
        <Box pt="10px" color="inkMuted">
          {unknown > 0 ? words.noneOfThemIsOfKnownModel({ unknown }) : words.nothingListedOrTaggedYet()}
        </Box>
      </Section>
    );
  }
  const scale = { low: Math.min(0, cents.low), high: Math.max(cents.high, paidCents, 1) };
  const more = parts.length - shownParts;
  return (
    <Section title={words.expectedResult()} note={words.n80Range()}>
      <Box display="grid" gap="4px" pt="10px">
        <Box fontSize="20px" fontWeight="700">
          {words.to({ low: Math.round(cents.low), high: Math.round(cents.high) })}
        </Box>
        <RangeBar low={cents.low} best={cents.mean} high={cents.high} scale={scale} tone="action" />
        <Box textStyle="note" color="inkMuted">
          {words.afterPartsAndLabourPaid({
            paidCents,
            paidCents2: unknown > 0 ? words.saysNothingOfPrice({ unknown }) : sayPrice(cents, paidCents),
          })}
        </Box>
      </Box>
      <Box as="ul" textStyle="note" pt="10px" display="grid" gap="3px">
        <li>{words.toBuildForParts({ builds: sayUnits(builds), donors: sayUnits(donors) })}</li>
        {parts.slice(0, shownParts).map(({ name, good }) => (
          <li key={name}>{words.good({ name, good: sayUnits(good) })}</li>
        ))}
        {more > 0 && <li>{words.andOtherKindPart({ more })}</li>}
        {unknown > 0 && <li>{words.leavesOutUnitUnknownModel({ unknown })}</li>}
        {neverSeen.length > 0 && (
          <Box as="li" color="waiting">
            {words.hasNotBeenTakenApart({ neverSeen, count: neverSeen.length })}
          </Box>
        )}
      </Box>
    </Section>
  );
}

const sayUnits = ({ low, high }: Span): string =>
  Math.round(low) === Math.round(high)
    ? String(Math.round(low))
    : counts.span({ low: Math.round(low), high: Math.round(high) });

/** Whether the price was right: the cautious end is what can be paid without hoping. */
function sayPrice({ low, mean }: Span, paidCents: number): string {
  const most = words.upToSafePriceMore({ mean: Math.max(0, Math.round(mean)), low: Math.max(0, Math.round(low)) });
  return paidCents > mean ? words.wasTooExpensive({ most }) : most;
}
