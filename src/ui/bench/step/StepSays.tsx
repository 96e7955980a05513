'use client';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import type { SheetState } from '@/core/entities/entities';
import type { Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Caution } from '@/ui/base/Caution';
import { capital, list } from '@/words/format';
import { sayOpening } from '@/words/say/saySteps';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { GateLedger } from './GateLedger';
import { GateTests } from './GateTests';
import * as words from '@/words/catalogue/bench';

/** The step in large type with its why, and what it needs: tools, face, posture, a second hand. */
export function StepHead({
  step,
  face,
  children,
}: {
  readonly step: SheetStep;
  /** The face that is looked at now, which may be another than the step's. */
  readonly face?: Face;
  readonly children?: ReactNode;
}) {
  const chips = [
    step.tool,
    step.hands?.withTool === undefined ? null : words.togetherWith({ tool: step.hands.withTool }),
    face === undefined ? null : face.id === step.face ? face.name : words.lookingAt({ name: face.name }),
    step.posture,
    step.hands?.helper === undefined ? null : words.secondHand({ does: step.hands.helper }),
  ].filter((chip) => chip !== null);
  return (
    <>
      <Box as="h1" textStyle="instruction" aria-live="assertive">
        {saySheet(step.title)}
      </Box>
      <Box textStyle="lead" fontSize="19px" mt="6px">
        {saySheet(step.detail)}{' '}
        <Box as="span" color="inkMuted">
          {saySheet(step.why)}
        </Box>
      </Box>
      <Box display="flex" flexWrap="wrap" gap="8px" my="12px">
        {chips.map((chip) => (
          <Box key={chip} bg="sunk" px="10px" py="5px" borderRadius="soft" fontSize="16px">
            {chip}
          </Box>
        ))}
        {children}
      </Box>
    </>
  );
}

/** How this model is switched off, before anything is opened: a living unit in firmware, a dead one as its author says. */
export function PowerNotes({ model, isDead }: { readonly model: Model; readonly isDead: boolean }) {
  return (
    <Box display="grid" gap="8px" mb="8px">
      {isDead && model.offWhenDead !== undefined && <Caution what={words.unitIsDead()}>{model.offWhenDead}</Caution>}
      {!isDead && model.firmwareOff !== undefined && (
        <Caution tone="sound" what={words.inFirmware()}>
          {model.firmwareOff}
        </Caution>
      )}
    </Box>
  );
}

/** Everything to beware of before the step is done. */
export function StepCautions({
  model,
  step,
  sheet,
  state,
}: {
  readonly model: Model;
  readonly step: SheetStep;
  readonly sheet: RunSheet;
  /** Null where no sheet is under way. */
  readonly state: SheetState | null;
}) {
  return (
    <Box display="grid" gap="8px">
      {step.leg === 'gate' && state && <GateLedger sheet={sheet} state={state} />}
      {step.cautions.map(({ what, instead }) => (
        <Caution key={what} what={what}>
          {instead}
        </Caution>
      ))}
      {step.tethers
        .filter(({ because }) => !step.cautions.some(({ what }) => what === because))
        .map((tether) => (
          <Caution key={tether.because} what={tether.because}>
            {capital(sayOpening(tether))}.
          </Caution>
        ))}
      {step.hands?.solvent && (
        <Caution tone="waiting" what={step.hands.solvent.name}>
          {words.airThePlace({ minutesValue: step.hands.solvent.ventilateMinutes })}
        </Caution>
      )}
      {step.wait && (
        <Caution tone="waiting" what={words.minOn({ minutesValue: step.wait.minutes, fixture: step.wait.fixture })}>
          {words.doSomethingElseMeanwhile({ what: saySheet(step.wait.what) })}
        </Caution>
      )}
      {step.consumables.length > 0 && (
        <Caution tone="sound" what={words.renew()}>
          {list(step.consumables.map(({ name, count }) => `${count} × ${saySheet(name)}`))}
        </Caution>
      )}
      <GateTests model={model} step={step} />
    </Box>
  );
}
