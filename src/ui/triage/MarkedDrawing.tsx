'use client';
import { list } from '@/words/format';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { Mark } from '@/core/findings/mark';
import type { Unit, UnitPhoto } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { Finding } from '@/core/procedure/vocabulary';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer, useKey } from '@/ui/keys/KeysProvider';
import { PhotoStrip } from '@/ui/photos/PhotoStrip';
import { TakePhoto } from '@/ui/photos/TakePhoto';
import { findingNames } from '@/words/say/names';
import * as words from '@/words/catalogue/triage';

const markKeys: Readonly<Record<Finding, string>> = {
  crack: 'c',
  dent: 't',
  liquid: 'l',
  swelling: 'w',
  'screw-missing': 'm',
  'opened-before': 'o',
  'part-missing': 'p',
};

/** The unit's face with its marks. A mark is two keys: what, then where on the keypad of nine fields. */
export function MarkedDrawing({
  model,
  unit,
  onMark,
  onPhoto,
}: {
  readonly model: Model;
  readonly unit: Unit;
  readonly onMark: (mark: Mark) => void;
  readonly onPhoto: (photo: UnitPhoto) => boolean;
}) {
  // Where something is marked already is where one looks first.
  const [faceIndex, setFaceIndex] = useState(() =>
    Math.max(
      0,
      model.faces.findIndex(({ id }) => unit.marks.some((mark) => mark.face === id)),
    ),
  );
  const [kind, setKind] = useState<Finding | null>(null);
  const face = model.faces[faceIndex % model.faces.length] as Model['faces'][number];
  const place = (field: number) => {
    if (kind) onMark({ kind, face: face.id, field });
    setKind(null);
  };
  const turn = () => setFaceIndex((index) => index + 1);
  const elsewhere = unit.marks.filter((mark) => mark.face !== face.id);
  return (
    <Box flex="1 0 auto" display="flex" flexDirection="column">
      <Box display="flex" justifyContent="center" py="4px" flex="1" alignItems="center">
        <FaceDrawing
          model={model}
          face={face}
          marks={unit.marks}
          showsFields={kind !== null}
          onField={place}
          maxWidth={440}
          maxHeight={250}
        />
      </Box>
      <Box textStyle="note" color="inkMuted" display="flex" justifyContent="space-between" mb="8px">
        <span>
          {kind ? words.wherePressItsField1({ kind: findingNames[kind] }) : `${face.name}.`}
          {elsewhere.length > 0 &&
            ` ${words.onOtherFaces({ kind: list(elsewhere.map((mark) => findingNames[mark.kind])) })}`}
        </span>
      </Box>
      <Box display="flex" flexWrap="wrap" gap="6px">
        {(Object.keys(markKeys) as Finding[]).map((finding) => (
          <KeyButton
            records
            key={finding}
            keyName={markKeys[finding]}
            label={findingNames[finding]}
            size="small"
            look={kind === finding ? 'fault' : 'quiet'}
            px="8px"
            gap="6px"
            fontSize="14px"
            onPress={() => setKind(finding)}
          />
        ))}
        <KeyButton
          keyName="f"
          label={words.otherFace()}
          size="small"
          px="8px"
          gap="6px"
          fontSize="14px"
          onPress={turn}
        />
        <TakePhoto unit={unit} about={unit.marks.at(-1)} onTaken={onPhoto} />
        <PhotoStrip unit={unit} />
      </Box>
      {kind && (
        <KeyLayer>
          <FieldKeys onField={place} onTurn={turn} onLeave={() => setKind(null)} />
        </KeyLayer>
      )}
    </Box>
  );
}

function FieldKeys({
  onField,
  onTurn,
  onLeave,
}: {
  readonly onField: (field: number) => void;
  readonly onTurn: () => void;
  readonly onLeave: () => void;
}) {
  return (
    <>
      {[1, 2, 3, 4, 5, 6, 7, 8, 9].map((field) => (
        <FieldKey key={field} field={field} onField={onField} />
      ))}
      <LeaveKeys onTurn={onTurn} onLeave={onLeave} />
    </>
  );
}

function FieldKey({ field, onField }: { readonly field: number; readonly onField: (field: number) => void }) {
  useKey(String(field), words.field({ field }), () => onField(field));
  return null;
}

function LeaveKeys({ onTurn, onLeave }: { readonly onTurn: () => void; readonly onLeave: () => void }) {
  useKey('f', words.otherFace2(), onTurn);
  useKey('Escape', words.cancel(), onLeave);
  return null;
}
