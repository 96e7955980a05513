'use client';
import { Box } from '@chakra-ui/react';
import type { Unit } from '@/core/entities/entities';
import type { Face } from '@/core/procedure/faces';
import { isScrew, type Joint } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import { jointsInOrder } from '@/core/screws/screwOrder';
import { discard } from '@/core/screws/placeScrews';
import { zonesNow } from '@/core/sheet/zonesNow';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import { FaceLegend } from '@/ui/drawing/FaceLegend';
import { closer, placeOfWork } from '@/ui/drawing/placeOfWork';
import { tiesOf } from '@/ui/drawing/ties';
import { StepWork, type JointNote } from '@/ui/drawing/StepWork';
import { sayPlace } from '../sheetWords';
import { StepJoints } from './StepJoints';
import { useRoom } from './useRoom';
import * as words from '@/words/catalogue/bench';

interface StepDrawingProps {
  readonly model: Model;
  readonly unit: Unit;
  readonly step: SheetStep;
  readonly sheet: RunSheet;
  readonly face: Face;
  readonly outParts: readonly string[];
  readonly outNow: ReadonlySet<string>;
}

/** The face to scale with the step's joints; where the place of work is small, that close up beside it. */
export function StepDrawing({ model, unit, step, sheet, face, outParts, outNow }: StepDrawingProps) {
  const { frame, room } = useRoom(legendPx + 22 * Math.min(4, step.cups.length + 1));
  const isOwn = face.id === step.face;
  const hands = isOwn ? (step.hands ?? undefined) : undefined;
  const joints = jointsInOrder(step.leg, step.joints);
  const zones = zonesNow(model, face, step, outNow);
  const nearRoom = { width: room.width - wholePx - 26, height: room.height - 4 };
  const place = isOwn && nearRoom.width > 280 ? placeOfWork(face, joints, step.hands, nearRoom) : null;
  const ties = isOwn ? tiesOf(model, face.id, step.tethers) : [];
  const note: JointNote = (joint) => noteOf(joint, step, sheet);
  const common = {
    model,
    face,
    joints,
    zones,
    wanted: [...step.frees, ...step.places],
    outParts,
    marks: unit.marks,
  };
  if (!place) {
    const scale = Math.min(room.width / face.widthMm, room.height / face.heightMm);
    // Beside a tall face there is room for what the marks say; below a wide one.
    const isTall = face.heightMm > face.widthMm;
    return (
      <Box
        mt="12px"
        ref={frame}
        display="flex"
        flexDirection={isTall ? 'row' : 'column'}
        gap={isTall ? '28px' : '0'}
        alignItems="flex-start"
      >
        <Box flexShrink="0" maxW="100%">
          <FaceDrawing
            {...common}
            work={(drawn) => (
              <StepWork
                drawn={drawn}
                hands={hands}
                ties={ties}
                noteOf={joints.length <= mostNoted ? note : undefined}
              />
            )}
            maxWidth={isTall ? room.width * 0.6 : room.width}
            maxHeight={room.height}
          />
        </Box>
        <Box minW="0">
          <FaceLegend face={face} hands={hands} zones={zones} scale={scale} />
          <StepJoints step={step} keeping={sheet.keeping} />
        </Box>
      </Box>
    );
  }
  const near = Math.min(nearRoom.width / place.widthMm, nearRoom.height / place.heightMm);
  // The face beside it is drawn so small that the place of work is at least three times as large.
  const far = Math.min(wholePx / face.widthMm, room.height / face.heightMm, near / closer);
  return (
    <Box mt="12px" ref={frame}>
      <Box display="flex" flexWrap={{ base: 'wrap', xl: 'nowrap' }} gap="18px" alignItems="flex-start">
        <FaceDrawing
          {...common}
          joints={noJoints}
          framed={place}
          maxWidth={face.widthMm * far}
          maxHeight={face.heightMm * far}
        />
        <Box
          borderWidth="2px"
          borderColor="action"
          borderRadius="soft"
          overflow="hidden"
          maxW="100%"
          data-testid="close-up"
        >
          <FaceDrawing
            {...common}
            view={place}
            work={(drawn) => <StepWork drawn={drawn} hands={hands} ties={ties} noteOf={note} />}
            maxWidth={nearRoom.width}
            maxHeight={nearRoom.height}
          />
        </Box>
      </Box>
      <FaceLegend face={face} hands={hands} zones={zones} scale={far} />
      <StepJoints step={step} keeping={sheet.keeping} />
    </Box>
  );
}

const noJoints: readonly Joint[] = [];

/** Room for the whole face beside a close-up, and for what the marks say below. */
const wholePx = 150;
const legendPx = 40;

/** More joints than this leave no room for a note beside each. */
const mostNoted = 8;

/** What is done with a joint, beside it: where its screw goes or comes from, how its lock opens. */
function noteOf(joint: Joint, { leg, cups }: SheetStep, { keeping }: RunSheet): string | undefined {
  if (!isScrew(joint)) return 'lock' in joint && joint.lock ? words.lockOf({ lock: joint.lock }) : undefined;
  const isBack = leg === 'back';
  if (joint.isCaptive) return isBack ? words.tightenIt({ aim: joint.torqueNewtonCm?.aim ?? 0 }) : words.looseStays();
  const length = joint.lengthMm === undefined ? '' : joint.lengthMm.toFixed(1);
  const cup = cups.find(({ group }) => group.jointIds.includes(joint.id))?.cup;
  if (joint.singleUse || cup === discard) return isBack ? words.newOne({ length }) : words.toDiscard({ length });
  return cup === undefined
    ? length
    : words.lengthAndPlace({ length, isBack: isBack ? 'yes' : 'no', place: sayPlace(keeping, cup) });
}
