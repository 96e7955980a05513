'use client';
import { Box } from '@chakra-ui/react';
import type { Model } from '@/core/procedure/model';
import { rechecks } from '@/core/sheet/recheck';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { rowKeys } from '@/ui/keys/rowKeys';
import { list } from '@/words/format';
import { sayJoint } from '@/words/say/sayHands';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import * as words from '@/words/catalogue/benchLater';

interface GateFailedProps {
  readonly model: Model;
  readonly sheet: RunSheet;
  readonly doneStepIds: readonly string[];
  readonly step: SheetStep;
  /** Not passed; the operation that is taken out again, if one is. */
  readonly onFailed: (redo?: string) => void;
  readonly onClose: () => void;
}

/** A gate is not passed: what its tests run through and was made last, the quickest to reach first. */
export function GateFailedDialog({ model, sheet, doneStepIds, step, onFailed, onClose }: GateFailedProps) {
  const joints = new Map(model.joints.map((joint) => [joint.id, joint]));
  const parts = new Map(model.parts.map((part) => [part.id, part.name]));
  const nameOf = (id: string) => {
    const joint = joints.get(id);
    return joint ? sayJoint(model, joint) : (parts.get(id) ?? id);
  };
  const say = (redo?: string) => {
    onFailed(redo);
    onClose();
  };
  return (
    <KeyLayer>
      <Dialog title={words.whatToCheck()} onClose={onClose}>
        <Box color="inkMuted" mb="12px">
          {words.quickestFirst()}
        </Box>
        <Box display="grid" gap="8px">
          {rechecks(model, sheet.steps, doneStepIds, step).map((one, at) => (
            <KeyButton
              records
              key={one.operationId}
              keyName={keys[at]}
              label={words.checkThis({
                things: list([...new Set(one.things.map(nameOf))]),
                step: saySheet(one.step.title),
                steps: one.reach.length,
                minutesValue: one.minutes.toFixed(1),
              })}
              look={at === 0 ? 'action' : 'outline'}
              justifyContent="flex-start"
              whiteSpace="normal"
              textAlign="start"
              h="auto"
              py="10px"
              onPress={() => say(one.operationId)}
            />
          ))}
          <KeyButton
            records
            keyName="n"
            label={words.onlyNoteIt()}
            look="outline"
            justifyContent="flex-start"
            onPress={() => say()}
          />
        </Box>
      </Dialog>
    </KeyLayer>
  );
}

const keys = rowKeys('n');
