'use client';
import { Box } from '@chakra-ui/react';
import { isScrew } from '@/core/procedure/joints';
import type { ScrewKeeping } from '@/core/shared/houseRules';
import { screwName } from '@/core/screws/screwGroups';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { sayCount } from '@/ui/words/amounts';
import { jointPhrases } from '@/ui/words/names';
import { sayPlace } from './sheetWords';

/** What this step opens or closes, in words: screws with their cup and torque, the rest by kind. */
export function StepJoints({ step, keeping }: { readonly step: SheetStep; readonly keeping: ScrewKeeping }) {
  const others = step.joints.filter((joint) => !isScrew(joint));
  const kinds = [...new Set(others.map(({ kind }) => kind))];
  if (step.joints.length === 0) return null;
  return (
    <Box
      as="ul"
      textStyle="body"
      mt="4px"
      aria-label={step.leg === 'back' ? 'Closed in this step' : 'Opened in this step'}
    >
      {step.cups.map(({ cup, group }) => {
        const torque = step.joints.find((joint) => joint.id === group.jointIds[0] && isScrew(joint));
        const aim = torque && isScrew(torque) ? torque.torqueNewtonCm?.aim : undefined;
        return (
          <Box as="li" key={group.jointIds[0]} py="3px">
            <strong>
              {group.count} × {screwName(group)}
            </strong>{' '}
            {step.leg === 'back'
              ? `from ${sayPlace(keeping, cup)}${aim ? `, ${aim} N·cm` : ''}`
              : `to ${sayPlace(keeping, cup)}`}
          </Box>
        );
      })}
      {kinds.map((kind) => (
        <Box as="li" key={kind} py="3px">
          {sayCount(
            others.filter((joint) => joint.kind === kind).length,
            jointPhrases[kind],
            `× ${jointPhrases[kind]}`,
          )}
        </Box>
      ))}
    </Box>
  );
}
