'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { Model } from '@/core/procedure/model';
import { screwHeads } from '@/core/procedure/vocabulary';
import { screwName } from '@/core/screws/screwGroups';
import { placesOf, type StrayPlace, type StrayScrew } from '@/core/screws/strayScrew';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { Input } from '@/ui/base/Input';
import { KeyLayer } from '@/ui/keys/KeysProvider';

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
  const hurt = places.filter(({ wouldHurt }) => wouldHurt);
  const faceOf = ({ screw }: StrayPlace) => model.faces.find(({ id }) => id === screw.face)?.name ?? screw.face;
  return (
    <KeyLayer>
      <Dialog title="Where does it belong?" onClose={onClose}>
        <Box as="label" display="block" mb="12px">
          <Box as="span" color="inkMuted">
            Length by the calliper, the head before it if you can tell it
          </Box>
          <Input
            ref={field}
            value={typed}
            placeholder="PH00 3.1"
            aria-label="Head and length"
            onChange={(event) => setTyped(event.currentTarget.value)}
          />
        </Box>
        {typed !== '' && !stray && <Box color="inkMuted">Write it as PH00 3.1, or only 3.1.</Box>}
        {stray && likely.length === 0 && <Box>No hole of this model takes it: it is a foreign one.</Box>}
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
              <strong>{Math.round(place.chance * 100)} in 100</strong>
              <span>
                {screwName(place.screw)}, {faceOf(place)} at {place.screw.xMm}, {place.screw.yMm} mm
              </span>
              <Box as="span" color={openJoints.has(place.screw.id) ? 'action' : 'inkMuted'}>
                {openJoints.has(place.screw.id) ? 'is open' : 'is shut'}
              </Box>
            </Box>
          ))}
        </Box>
        {hurt.length > 0 && (
          <Box mt="14px">
            <Caution what={`It would hurt ${hurt.length === 1 ? 'one hole' : `${hurt.length} holes`}.`}>
              {`Too long for ${[...new Set(hurt.map((place) => `${screwName(place.screw)} on ${faceOf(place)}`))].join(', ')}: what lies below breaks.`}
            </Caution>
          </Box>
        )}
      </Dialog>
    </KeyLayer>
  );
}

function readStray(text: string): StrayScrew | undefined {
  const match = /^(?:([a-z]{1,2}\d{1,3})\s+)?(\d{1,2}(?:[.,]\d{1,2})?)$/i.exec(text.trim());
  const head = screwHeads.find((known) => known === match?.[1]?.toUpperCase());
  const lengthMm = Number(match?.[2]?.replace(',', '.'));
  if (!match || !(lengthMm > 0) || (match[1] !== undefined && head === undefined)) return undefined;
  return { lengthMm, errorMm: calliperErrorMm, ...(head !== undefined && { head }) };
}
