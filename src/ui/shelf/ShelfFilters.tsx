'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { grades } from '@/core/shared/grades';
import { shelfPlaces, type ShelfPlace, type ShelfQuery } from '@/core/shelf/shelfQuery';
import type { ShelfView } from '@/services/shelf/readShelf';
import { Button } from '@/ui/base/Button';
import { Input, Select } from '@/ui/base/Input';
import { useKey } from '@/ui/keys/KeysProvider';
import { categoryNames } from '@/words/say/names';
import * as texts from '@/words/catalogue/shelf';

const placeTexts: Readonly<Record<ShelfPlace, (said: { readonly count: number }) => string>> = {
  shelf: texts.showFree,
  reserved: texts.showReserved,
  assigned: texts.showToFetch,
  lost: texts.showLost,
};

/** So long the hand rests before what it typed is looked for. */
const restMs = 250;

/** What of the shelf is shown: places, words, kind, grade, and what it should fit. All of it stands in the address. */
export function ShelfFilters({
  query,
  view,
  onChange,
}: {
  readonly query: ShelfQuery;
  readonly view: ShelfView;
  readonly onChange: (query: ShelfQuery) => void;
}) {
  const field = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState(query.words);
  const [seen, setSeen] = useState(query.words);
  // The address changed by another way than by typing, as by going back.
  if (seen !== query.words) {
    setSeen(query.words);
    setTyped(query.words);
  }
  useKey('s', texts.searchShelf(), () => field.current?.select());
  useEffect(() => {
    if (typed.trim() === query.words) return undefined;
    const timer = setTimeout(() => onChange({ ...query, words: typed.trim() }), restMs);
    return () => clearTimeout(timer);
  }, [typed, query, onChange]);
  const isLimited =
    query.words !== '' || query.category !== null || query.grade !== null || query.fits !== null || query.bin !== null;
  return (
    <Box display="grid" gap="10px" mb="6px">
      <Box role="group" aria-label={texts.whichParts()} display="flex" gap="0 18px" flexWrap="wrap" textStyle="note">
        {shelfPlaces.map((place) => (
          <Box
            as="button"
            key={place}
            aria-pressed={query.place === place}
            onClick={() => onChange({ ...query, place })}
            py="6px"
            cursor="pointer"
            color={query.place === place ? 'ink' : 'action'}
            fontWeight={query.place === place ? '700' : '400'}
            borderBottomWidth="2px"
            borderColor={query.place === place ? 'action' : 'transparent'}
          >
            {placeTexts[place]({ count: view.counts[place] })}
          </Box>
        ))}
      </Box>
      <Box display="flex" gap="8px" flexWrap="wrap" alignItems="center">
        <form
          onSubmit={(event) => {
            event.preventDefault();
            field.current?.blur();
            onChange({ ...query, words: typed.trim() });
          }}
        >
          <Input
            ref={field}
            value={typed}
            onChange={({ currentTarget: { value } }) => setTyped(value)}
            maxLength={80}
            placeholder={texts.partClassBinGradeTag()}
            aria-label={texts.searchShelf()}
            w={{ base: '100%', sm: '250px' }}
          />
        </form>
        <Select
          aria-label={texts.kindOfPart()}
          value={query.category ?? ''}
          onChange={({ currentTarget: { value } }) =>
            onChange({ ...query, category: (value || null) as ShelfQuery['category'] })
          }
          w="auto"
          maxW="170px"
        >
          <option value="">{texts.anyKind()}</option>
          {view.categories.map(({ category, count }) => (
            <option key={category} value={category}>
              {texts.kindWith({ kind: categoryNames[category], count })}
            </option>
          ))}
        </Select>
        <Select
          aria-label={texts.grade()}
          value={query.grade ?? ''}
          onChange={({ currentTarget: { value } }) =>
            onChange({ ...query, grade: (value || null) as ShelfQuery['grade'] })
          }
          w="auto"
        >
          <option value="">{texts.anyGrade()}</option>
          {grades
            .filter((grade) => grade !== 'X')
            .map((grade) => (
              <option key={grade} value={grade}>
                {texts.gradeOnly({ grade })}
              </option>
            ))}
        </Select>
        <Select
          aria-label={texts.whatFits()}
          value={query.fits ?? ''}
          onChange={({ currentTarget: { value } }) => onChange({ ...query, fits: value || null })}
          w="auto"
          maxW="190px"
        >
          <option value="">{texts.fitsAny()}</option>
          {view.models.map(({ id, name }) => (
            <option key={id} value={id}>
              {texts.fitsModel({ name })}
            </option>
          ))}
        </Select>
        {query.bin && (
          <Button size="small" onClick={() => onChange({ ...query, bin: null })}>
            {texts.onlyIn({ bin: query.bin })}
          </Button>
        )}
        {isLimited && (
          <Button
            size="small"
            onClick={() => onChange({ ...query, words: '', category: null, grade: null, fits: null, bin: null })}
          >
            {texts.showAll()}
          </Button>
        )}
      </Box>
    </Box>
  );
}
