'use client';
import { chakra } from '@chakra-ui/react';
import type { NumberAttribute } from '@/core/grading/attributes';
import { placeOn, rulerOf } from '@/core/grading/ruler';
import { capital, number } from '@/words/format';
import { attributeNames } from '@/words/say/attributes';
import * as words from '@/words/catalogue/grade';

const Drawing = chakra('svg', {
  base: {
    display: 'block',
    w: '100%',
    h: '34px',
    overflow: 'visible',
    '& [data-stretch]': { fill: 'rulerStretch' },
    '& [data-scrap]': { fill: 'rulerScrap' },
    '& text': { fill: 'inkMuted', fontSize: '13px', textAnchor: 'middle' },
    '& [data-here]': { fill: 'ink', fontWeight: '700' },
    '& [data-mark]': { fill: 'ink' },
    '& [data-limits]': { fill: 'danger' },
    '& [data-wide]': { opacity: 0.4 },
  },
});

const height = 13;

/**
 * The grades of an attribute from scrap to A, where the reading stands, and how wide its interval is. Nothing here is said by
 * colour alone: the letter under the reading is the bold one.
 */
export function Ruler({
  attribute,
  reading,
  plusMinus,
  isLimiting,
}: {
  readonly attribute: NumberAttribute;
  readonly reading: number | undefined;
  /** Half of the interval of the reading. */
  readonly plusMinus: number;
  readonly isLimiting: boolean;
}) {
  const ruler = rulerOf(attribute);
  const per = 100 / ruler.length;
  const at = (value: number) => 100 * placeOn(ruler, Math.min(attribute.high, Math.max(attribute.low, value)));
  const place = reading === undefined ? undefined : at(reading);
  const here = place === undefined ? -1 : Math.min(ruler.length - 1, Math.floor(place / per));
  const ends =
    reading === undefined ? [0, 0] : [at(reading - plusMinus), at(reading + plusMinus)].sort((a, b) => a - b);
  const mark = isLimiting ? { 'data-limits': true } : { 'data-mark': true };
  return (
    <Drawing
      role="img"
      aria-label={words.rulerOf({
        name: capital(attributeNames[attribute.id]),
        limits: ruler.slice(1).map(({ grade, from }) => words.rulerLimit({ grade, value: number(from) })),
      })}
    >
      {ruler.map(({ grade }, index) => (
        <rect
          key={grade}
          {...(grade === 'X' ? { 'data-scrap': true } : { 'data-stretch': true })}
          x={`${index * per + 0.2}%`}
          width={`${per - 0.4}%`}
          y="0"
          height={height}
        />
      ))}
      {place !== undefined && plusMinus > 0 && (
        <rect
          {...mark}
          data-wide
          x={`${ends[0]}%`}
          width={`${Math.max(0.6, (ends[1] as number) - (ends[0] as number))}%`}
          y={height / 2 - 2.5}
          height="5"
          rx="2.5"
        />
      )}
      {place !== undefined && <circle {...mark} cx={`${place}%`} cy={height / 2} r="7" />}
      {ruler.map(({ grade, from }, index) => (
        <text key={grade} x={`${(index + 0.5) * per}%`} y="29" {...(index === here && { 'data-here': true })}>
          {index === 0 ? grade : words.rulerGrade({ grade, value: number(from) })}
        </text>
      ))}
    </Drawing>
  );
}
