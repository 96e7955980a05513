'use client';
import { Box } from '@chakra-ui/react';
import type { ParcelForecast, Span } from '@/core/intake/forecastParcel';
import { money } from '@/core/shared/money';
import { RangeBar } from '@/ui/base/RangeBar';
import { Section } from '@/ui/base/Section';
import { sayCount, sayList } from '@/ui/words/amounts';

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
      <Section title="What it is expected to give">
        <Box pt="10px" color="inkMuted" role="status">
          {hasFailed ? 'It could not be computed. It is tried again when something changes here.' : 'Computing …'}
        </Box>
      </Section>
    );
  }
  const { cents, builds, donors, parts, unknown, neverSeen } = forecast;
  const scale = { low: Math.min(0, cents.low), high: Math.max(cents.high, paidCents, 1) };
  const more = parts.length - shownParts;
  return (
    <Section title="What it is expected to give" note="8 of 10 times">
      <Box display="grid" gap="4px" pt="10px">
        <Box fontSize="20px" fontWeight="700">
          {money(Math.round(cents.low))} to {money(Math.round(cents.high))}
        </Box>
        <RangeBar low={cents.low} best={cents.mean} high={cents.high} scale={scale} tone="action" />
        <Box textStyle="note" color="inkMuted">
          after parts and labour; paid {money(paidCents)}. {sayPrice(cents, paidCents)}
        </Box>
      </Box>
      <Box as="ul" textStyle="note" pt="10px" display="grid" gap="3px">
        <li>
          {sayUnits(builds)} to build, {sayUnits(donors)} for parts
        </li>
        {parts.slice(0, shownParts).map(({ name, good }) => (
          <li key={name}>
            {name}: {sayUnits(good)} good
          </li>
        ))}
        {more > 0 && <li>and {sayCount(more, 'other kind')} of parts</li>}
        {unknown > 0 && <li>Without {sayCount(unknown, 'unit')} of a model that nobody knows here</li>}
        {neverSeen.length > 0 && (
          <Box as="li" color="waiting">
            No {sayList(neverSeen)} was ever taken apart here: the ranges are wide for that.
          </Box>
        )}
      </Box>
    </Section>
  );
}

const sayUnits = ({ low, high }: Span): string =>
  Math.round(low) === Math.round(high) ? String(Math.round(low)) : `${Math.round(low)} to ${Math.round(high)}`;

/** Whether the price was right: the cautious end is what can be paid without hoping. */
function sayPrice({ low, mean }: Span, paidCents: number): string {
  const most = `More than ${money(Math.max(0, Math.round(mean)))} would not have been worth paying, and up to ${money(Math.max(0, Math.round(low)))} is safe.`;
  return paidCents > mean ? `${most} It was too dear.` : most;
}
