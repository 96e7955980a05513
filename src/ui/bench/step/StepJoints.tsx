'use client';
import * as counts from '@/words/catalogue/counts';
import { Box } from '@chakra-ui/react';
import { isCap, isScrew } from '@/core/procedure/joints';
import type { ScrewKeeping } from '@/core/shared/houseRules';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { jointPhrases } from '@/words/say/names';
import { sayGroup, sayPlace } from '../sheetWords';
import * as words from '@/words/catalogue/bench';

/** What this step opens or closes, in words: screws with their cup and torque, the rest by kind. */
export function StepJoints({ step, keeping }: { readonly step: SheetStep; readonly keeping: ScrewKeeping }) {
  const captive = step.joints.filter((joint) => isScrew(joint) && joint.isCaptive === true);
  const others = step.joints.filter((joint) => !isScrew(joint) && !isCap(joint));
  const kinds = [...new Set(others.map(({ kind }) => kind))];
  if (step.joints.length === 0) return null;
  return (
    <Box
      as="ul"
      textStyle="body"
      mt="4px"
      aria-label={words.closedInThisStep({ isLegBack: step.leg === 'back' ? 'yes' : 'no' })}
    >
      {step.cups.map(({ cup, group }) => {
        const torque = step.joints.find((joint) => joint.id === group.jointIds[0] && isScrew(joint));
        const aim = torque && isScrew(torque) ? torque.torqueNewtonCm?.aim : undefined;
        return (
          <Box as="li" key={group.jointIds[0]} py="3px">
            <strong>
              {group.count} × {sayGroup(group)}
            </strong>{' '}
            {group.singleUse
              ? words.singleUseWay({ isBack: step.leg === 'back' ? 'yes' : 'no' })
              : sayWay(step.leg === 'back', sayPlace(keeping, cup), aim)}
            {torque && isScrew(torque) && torque.cup !== undefined && ` (${torque.cup})`}
          </Box>
        );
      })}
      {captive.length > 0 && (
        <Box as="li" py="3px">
          {words.captiveWay({ count: captive.length, isBack: step.leg === 'back' ? 'yes' : 'no' })}
        </Box>
      )}
      {kinds.map((kind) => (
        <Box as="li" key={kind} py="3px">
          {counts.joints2({
            count: others.filter((joint) => joint.kind === kind).length,
            joint: jointPhrases[kind],
          })}
        </Box>
      ))}
    </Box>
  );
}

/** Where screws go, or come from and how tight. */
function sayWay(isBack: boolean, place: string, aim: number | undefined): string {
  if (!isBack) return words.screwsToPlace({ place });
  return aim === undefined ? words.screwsFromPlace({ place }) : words.screwsFromPlaceAt({ place, aim });
}
