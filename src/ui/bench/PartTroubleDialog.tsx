'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { PartTrouble } from '@/core/bench/entities';
import { defectCodes } from '@/core/bench/stages';
import type { ModelPart } from '@/core/procedure/parts';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { defectNames } from '@/ui/words/names';

interface PartTroubleProps {
  readonly kind: 'broken' | 'missing';
  readonly parts: readonly ModelPart[];
  readonly onClose: () => void;
  readonly onTrouble: (trouble: Omit<PartTrouble, 'stepId'>) => void;
}

const states = [
  { key: '1', state: 'broken-by-us', says: 'We broke it just now' },
  { key: '2', state: 'broken-before', says: 'It was broken before' },
  { key: '3', state: 'suspect', says: 'It may be all right: suspect' },
] as const;

/** Which part, by whom, and what happened: one key each, and nothing to type. */
export function PartTroubleDialog({ kind, parts, onClose, onTrouble }: PartTroubleProps) {
  const [part, setPart] = useState<ModelPart | null>(parts.length === 1 ? (parts[0] as ModelPart) : null);
  const [state, setState] = useState<PartTrouble['state'] | null>(kind === 'missing' ? 'missing' : null);
  const say = (trouble: Omit<PartTrouble, 'stepId'>) => {
    onTrouble(trouble);
    onClose();
  };
  const choosePart = (chosen: ModelPart) => {
    setPart(chosen);
    if (kind === 'missing') say({ partRef: chosen.id, state: 'missing', defectCode: null });
  };
  const title = part
    ? `The ${part.name} ${kind === 'missing' ? 'is missing' : 'broke'}`
    : kind === 'missing'
      ? 'Which part is missing?'
      : 'Which part broke?';
  return (
    <KeyLayer>
      <Dialog title={title} onClose={onClose}>
        <Box display="grid" gap="8px">
          {!part &&
            parts.map((candidate, index) => (
              <KeyButton
                key={candidate.id}
                keyName={String(index + 1)}
                label={candidate.name}
                look="outline"
                justifyContent="flex-start"
                onPress={() => choosePart(candidate)}
              />
            ))}
          {part && kind === 'missing' && (
            <KeyButton
              keyName=" "
              label={`Note the ${part.name} as missing`}
              look="action"
              onPress={() => choosePart(part)}
            />
          )}
          {part &&
            kind === 'broken' &&
            !state &&
            states.map(({ key, state: how, says }) => (
              <KeyButton
                key={how}
                keyName={key}
                label={says}
                look="outline"
                justifyContent="flex-start"
                onPress={() => setState(how)}
              />
            ))}
          {part && kind === 'broken' && state && (
            <Box display="grid" gridTemplateColumns="1fr 1fr" gap="8px">
              {defectCodes.map((code, index) => (
                <KeyButton
                  key={code}
                  keyName={String((index + 1) % 10)}
                  label={defectNames[code]}
                  look="outline"
                  justifyContent="flex-start"
                  onPress={() => say({ partRef: part.id, state, defectCode: code })}
                />
              ))}
            </Box>
          )}
        </Box>
      </Dialog>
    </KeyLayer>
  );
}
