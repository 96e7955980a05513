'use client';
import { list } from '@/words/format';
import { Box } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { Model } from '@/core/procedure/model';
import { screwName } from '@/core/procedure/drives';
import { placesOf, type StrayPlace, type StrayScrew } from '@/core/screws/strayScrew';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { Input } from '@/ui/base/Input';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import * as words from '@/words/catalogue/benchLater';

/** Standard error of a hand calliper on a screw, in millimetres. */
const calliperErrorMm = 0.12;
const mostShown = 8;

/** A screw lies on the mat: the holes it came from, likeliest first, and the holes it would hurt. */
export function StrayScrewDialog({
  model,
  openJoints,
  onClose,
}: {
  readonly model: Model;
  readonly openJoints: ReadonlySet<string>;
  readonly onClose: () => void;
}) {
  const [typed, setTyped] = useState('');
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  const stray = readStray(typed);
  const places = stray ? placesOf(stray, model.joints, openJoints) : [];
  const likely = places.filter(({ chance }) => chance > 0).slice(0, mostShown);
  const hurt = places.filter(({ wouldHurt }) => wouldHurt === true);
  const faceOf = ({ screw }: StrayPlace) => model.faces.find(({ id }) => id === screw.face)?.name ?? screw.face;
  return (
    <KeyLayer>
      <Dialog title={words.whereDoesBelong()} onClose={onClose}>
        <Box as="label" display="block" mb="12px">
          <Box as="span" color="inkMuted">
            {words.lengthFromCalliperWithHead()}
          </Box>
          <Input
            ref={field}
            value={typed}
            placeholder={words.ph0031()}
            aria-label={words.headAndLength()}
            onChange={(event) => setTyped(event.currentTarget.value)}
          />
        </Box>
        {typed !== '' && !stray && <Box color="inkMuted">{words.writeAsPh0031()}</Box>}
        {stray && likely.length === 0 && <Box>{words.noHoleThisModelTakes()}</Box>}
        <Box as="ol">
          {likely.map((place) => (
            <Box
              as="li"
              key={place.screw.id}
              display="grid"
              gridTemplateColumns="90px minmax(0, 1fr) auto"
              gap="14px"
              py="6px"
              borderBottomWidth="1px"
              borderColor="rule"
            >
              <strong>{words.n({ chance: Math.round(place.chance * 100) })}</strong>
              <span>
                {words.atMm({
                  screw: screwName(place.screw),
                  place: faceOf(place),
                  xMm: place.screw.xMm,
                  yMm: place.screw.yMm,
                })}
              </span>
              <Box as="span" color={openJoints.has(place.screw.id) ? 'action' : 'inkMuted'}>
                {words.isOpen({ isScrewId: openJoints.has(place.screw.id) ? 'yes' : 'no' })}
              </Box>
            </Box>
          ))}
        </Box>
        {hurt.length > 0 && (
          <Box mt="14px">
            <Caution what={words.wouldDamage({ holes: hurt.length })}>
              {words.tooLongForBreaksWhat({
                place: list([
                  ...new Set(
                    hurt.map((place) => words.screwOnFace({ screw: screwName(place.screw), face: faceOf(place) })),
                  ),
                ]),
              })}
            </Caution>
          </Box>
        )}
      </Dialog>
    </KeyLayer>
  );
}

function readStray(text: string): StrayScrew | undefined {
  const match = /^(?:([a-z]{1,5}\d{0,4}(?:\.\d)?)\s+)?(\d{1,2}(?:[.,]\d{1,2})?)$/i.exec(text.trim());
  const drive = match?.[1]?.toUpperCase();
  const lengthMm = Number(match?.[2]?.replace(',', '.'));
  if (!match || !(lengthMm > 0)) return undefined;
  return { lengthMm, errorMm: calliperErrorMm, ...(drive !== undefined && { drive }) };
}
