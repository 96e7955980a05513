'use client';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { Box, chakra } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import type { SheetState } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { threadLineRecipe } from '@/ui/theme/recipes/thread';
import * as texts from '@/words/catalogue/bench';

const Line = chakra('li', threadLineRecipe);

/** All steps on one thread: beads for operations, diamonds for gates, an hourglass where it waits; folds where face or posture change. */
export function ThreadView({
  sheet,
  state,
  model,
  current,
}: {
  readonly sheet: RunSheet;
  readonly state: SheetState;
  readonly model: Model;
  readonly current: string;
}) {
  const here = useRef<HTMLLIElement>(null);
  useEffect(() => {
    // Not returned: newer browsers answer with a promise, which is no way to clean up.
    void here.current?.scrollIntoView({ block: 'center' });
  }, [current]);
  return (
    <Box
      as="nav"
      aria-label={texts.steps()}
      borderEndWidth="1px"
      borderColor="rule"
      maxH={{ base: '110px', md: 'none' }}
      overflowY="auto"
      position="relative"
      tabIndex={0}
    >
      <ol>
        {sheet.steps.map((step, index) => {
          const fold = foldBefore(model, sheet.steps[index - 1], step);
          const when = step.id === current ? 'now' : state.doneStepIds.includes(step.id) ? 'done' : 'later';
          return (
            <Box as="li" key={step.id} listStyleType="none">
              {fold && (
                <Box
                  borderTopWidth={index === 0 ? '0' : '2px'}
                  borderStyle="dashed"
                  borderColor="rule"
                  ps="50px"
                  pt="10px"
                  pb="4px"
                  textStyle="caption"
                  fontWeight="700"
                  color="inkMuted"
                >
                  {fold}
                </Box>
              )}
              <ol>
                <Line
                  ref={step.id === current ? here : undefined}
                  when={when}
                  gate={step.leg === 'gate' ? 'yes' : 'no'}
                  aria-current={when === 'now' ? 'step' : undefined}
                >
                  <Bead step={step} when={when} />
                  <span>{saySheet(step.title)}</span>
                </Line>
              </ol>
            </Box>
          );
        })}
      </ol>
    </Box>
  );
}

function Bead({ step, when }: { readonly step: SheetStep; readonly when: 'now' | 'done' | 'later' }) {
  const fill = when === 'later' ? 'paper' : when === 'now' ? 'onAction' : 'twine';
  const stroke = when === 'now' ? 'onAction' : step.leg === 'gate' ? 'danger' : step.wait ? 'waiting' : 'twine';
  return (
    <chakra.svg
      viewBox="0 0 20 20"
      w="20px"
      h="20px"
      flexShrink={0}
      fill={fill}
      stroke={stroke}
      strokeWidth="2.2"
      aria-hidden
    >
      {step.leg === 'gate' ? (
        <path d="M10 1 L19 10 L10 19 L1 10 Z" />
      ) : step.wait ? (
        <path d="M4 2 H16 L4 18 H16 Z" />
      ) : (
        <circle cx="10" cy="10" r="6.5" />
      )}
    </chakra.svg>
  );
}

/** What changes before a step: the leg, the face or the posture. */
function foldBefore(model: Model, before: SheetStep | undefined, step: SheetStep): string | null {
  const face = model.faces.find(({ id }) => id === step.face)?.name ?? step.face;
  const words = step.posture ? `${face}, ${step.posture}` : face;
  if (!before) return words;
  if (before.leg === 'out' && step.leg !== 'out') return texts.rebuild({ value: words });
  return before.face === step.face && before.posture === step.posture ? null : words;
}
