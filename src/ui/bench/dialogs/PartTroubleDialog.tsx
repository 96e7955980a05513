'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { PartTrouble } from '@/core/entities/entities';
import { defectCodes } from '@/core/entities/stages';
import type { ModelPart } from '@/core/procedure/parts';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { defectNames } from '@/words/say/names';
import * as words from '@/words/catalogue/benchLater';
import { rowKeys } from '@/ui/keys/rowKeys';

interface PartTroubleProps {
  /** The parts of this step first, then the others that are still wanted. */
  readonly parts: readonly ModelPart[];
  readonly onClose: () => void;
  readonly onTrouble: (trouble: Omit<PartTrouble, 'stepId'>) => void;
}

const states = [
  { key: '1', state: 'broken-by-us', says: words.weBrokeJustNow() },
  { key: '2', state: 'broken-before', says: words.wasAlreadyBroken() },
  { key: '3', state: 'suspect', says: words.notSureSuspect() },
  { key: '4', state: 'missing', says: words.missing() },
] as const;

/** Which part, by whom, and what happened: one key each, and nothing to type. */
export function PartTroubleDialog({ parts, onClose, onTrouble }: PartTroubleProps) {
  const [part, setPart] = useState<ModelPart | null>(parts.length === 1 ? (parts[0] as ModelPart) : null);
  const [state, setState] = useState<PartTrouble['state'] | null>(null);
  const say = (trouble: Omit<PartTrouble, 'stepId'>) => {
    onTrouble(trouble);
    onClose();
  };
  const title = part ? words.the({ name: part.name }) : words.whichPartBrokenOrMissing();
  return (
    <KeyLayer>
      <Dialog title={title} onClose={onClose}>
        <Box display="grid" gap="8px">
          {!part &&
            parts.map((candidate, index) => (
              <KeyButton
                records
                key={candidate.id}
                keyName={partKeys[index]}
                label={candidate.name}
                look="outline"
                justifyContent="flex-start"
                onPress={() => setPart(candidate)}
              />
            ))}
          {part &&
            !state &&
            states.map(({ key, state: how, says }) => (
              <KeyButton
                records
                key={how}
                keyName={key}
                label={says}
                look="outline"
                justifyContent="flex-start"
                onPress={() =>
                  how === 'missing' ? say({ partRef: part.id, state: how, defectCode: null }) : setState(how)
                }
              />
            ))}
          {part && state && (
            <Box display="grid" gridTemplateColumns="1fr 1fr" gap="8px">
              {defectCodes.map((code, index) => (
                <KeyButton
                  records
                  key={code}
                  keyName={partKeys[index]}
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

const partKeys = rowKeys();
