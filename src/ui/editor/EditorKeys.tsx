'use client';
import { Box } from '@chakra-ui/react';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as texts from '@/words/catalogue/editor';

type Act = 'edit' | 'add' | 'mend' | 'undo' | 'redo' | 'remove' | 'json' | 'publish';

/** Everything the editor does, with its key. */
export function EditorKeys({
  isOnLines,
  isEditing,
  hasLine,
  canMend,
  canUndo,
  canRedo,
  canPublish,
  acts,
}: {
  readonly isOnLines: boolean;
  readonly isEditing: boolean;
  readonly hasLine: boolean;
  readonly canMend: boolean;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly canPublish: boolean;
  readonly acts: Readonly<Record<Act, () => void>>;
}) {
  const keys: readonly (readonly [key: string, label: string, act: Act, isEnabled: boolean])[] = [
    ['Enter', texts.editLine(), 'edit', isOnLines && !isEditing],
    ['n', texts.newLine(), 'add', !isEditing],
    ['m', texts.fix(), 'mend', canMend],
    ['u', texts.undo(), 'undo', canUndo],
    ['y', texts.redo(), 'redo', canRedo],
    ['x', texts.deleteLine(), 'remove', isOnLines && hasLine],
    ['j', texts.editJson(), 'json', true],
    ['p', texts.publish(), 'publish', canPublish],
  ];
  return (
    <Box display="flex" flexWrap="wrap" gap="8px" pt="10px" borderTopWidth="1px" borderColor="rule">
      {keys.map(([key, label, act, isEnabled]) => (
        <KeyButton
          key={key}
          keyName={key}
          label={label}
          size="small"
          look={act === 'publish' ? 'action' : act === 'edit' ? 'outline' : undefined}
          isEnabled={isEnabled}
          onPress={acts[act]}
        />
      ))}
    </Box>
  );
}
