'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { Unit } from '@/core/entities/entities';
import type { Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { Situation } from '@/core/procedure/situation';
import type { Finding } from '@/core/procedure/vocabulary';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import { KeyButton } from '@/ui/keys/KeyButton';
import { list } from '@/words/format';
import { findingNames } from '@/words/say/names';
import * as words from '@/words/catalogue/planner';

/** The device to scale with what is wanted of it, and which of its kind it is. */
export function DeviceSide({
  model,
  unit,
  situation,
  wanted,
  onChange,
}: {
  readonly model: Model;
  readonly unit: Unit | null;
  readonly situation: Situation;
  readonly wanted: readonly string[];
  readonly onChange: (situation: Situation) => void;
}) {
  const [shift, setShift] = useState(0);
  const best = bestFace(model, wanted);
  const face = model.faces[(best + shift) % model.faces.length] as Face;
  const { revision, configuration, findings } = situation;
  const asked = [
    ...new Set(model.operations.flatMap(({ when }) => [...(when?.findings ?? []), ...(when?.absentFindings ?? [])])),
  ];
  const nameOf = (list: readonly { readonly id: string; readonly name: string }[], id: string | null) =>
    list.find((entry) => entry.id === id)?.name ?? words.anyRevision();
  return (
    <>
      <Box as="h2" fontSize="26px" fontWeight="700" lineHeight="1.2">
        {model.name}{' '}
        <Box as="span" fontSize="16px" fontWeight="400" color="inkMuted">
          {words.version({ maker: model.maker, version: model.version })}
        </Box>
      </Box>
      <Box color="inkMuted" mt="4px" mb="14px">
        {words.revision({
          tag: unit ? `${unit.tag}, ` : '',
          any: revision ?? words.anyRevision(),
          configuration: nameOf(model.configurations, configuration),
          nothingFound:
            findings.length > 0 ? list(findings.map((finding) => findingNames[finding])) : words.nothingFound(),
        })}
      </Box>
      <FaceDrawing model={model} face={face} wanted={wanted} maxWidth={300} maxHeight={390} />
      <Box display="flex" flexWrap="wrap" gap="8px" mt="14px">
        <KeyButton keyName="f" label={face.name} size="small" onPress={() => setShift((before) => before + 1)} />
        {!unit && model.revisions.length > 1 && (
          <KeyButton
            keyName="r"
            label={words.revision2({ revision })}
            size="small"
            onPress={() =>
              onChange({
                ...situation,
                revision: nextOf(
                  model.revisions.map(({ id }) => id),
                  revision,
                ),
              })
            }
          />
        )}
        {!unit && model.configurations.length > 1 && (
          <KeyButton
            keyName="c"
            label={nameOf(model.configurations, configuration)}
            size="small"
            onPress={() =>
              onChange({
                ...situation,
                configuration: nextOf(
                  model.configurations.map(({ id }) => id),
                  configuration,
                ),
              })
            }
          />
        )}
        {!unit && asked.length > 0 && (
          <KeyButton
            keyName="g"
            label={findings[0] ? words.found({ findings: findingNames[findings[0]] }) : words.nothingFound2()}
            size="small"
            onPress={() => onChange({ ...situation, findings: nextFinding(asked, findings[0]) })}
          />
        )}
      </Box>
    </>
  );
}

const nextOf = (ids: readonly string[], id: string | null): string | null =>
  ids[(ids.indexOf(id ?? '') + 1) % ids.length] ?? null;

/** Each finding the model asks about in turn, then none. */
function nextFinding(asked: readonly Finding[], now: Finding | undefined): readonly Finding[] {
  const next = asked[now === undefined ? 0 : asked.indexOf(now) + 1];
  return next === undefined ? [] : [next];
}

/** The face on which most of what is wanted is drawn. */
function bestFace(model: Model, wanted: readonly string[]): number {
  const counts = model.faces.map(
    ({ outlines }) => outlines.filter(({ part }) => part !== undefined && wanted.includes(part)).length,
  );
  return Math.max(0, counts.indexOf(Math.max(...counts)));
}
