import type { Joint } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Cue, Handwork, Heat, Hold, PartMotion, SeamSegment } from '@/core/procedure/operations';
import { list } from '@/words/format';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import * as words from '@/words/catalogue/hands';

const motionNames: Readonly<Record<PartMotion['kind'], string>> = {
  lift: words.lift(),
  slide: words.slide(),
  hinge: words.hinge(),
  rotate: words.rotate(),
  twist: words.twist(),
  'draw-out': words.drawOut(),
  none: '',
};

/** How a part is moved: “slide and lift, 12 mm”. */
export function sayMotion({ kind, also, travelMm, turnDegrees }: PartMotion): string {
  const kinds = [motionNames[kind], ...(also && also !== kind ? [motionNames[also]] : [])].filter(Boolean);
  if (kinds.length === 0) return '';
  const far = [
    ...(travelMm === undefined ? [] : [words.millimetres({ mm: travelMm })]),
    ...(turnDegrees === undefined ? [] : [words.degrees({ degrees: turnDegrees })]),
  ];
  return [list(kinds), ...far].join(', ');
}

/** Where and with which hand it is held. */
export const sayHold = ({ where, hand }: Hold): string => words.hold({ where, hand: hand ?? 'any' });

/** One stretch of a seam, as it is opened. */
export function sayStretch(segment: SeamSegment, isClosing: boolean): string {
  const { depthMm, angleDegrees, warm, leavesPick, isCorner } = segment;
  return list([
    ...(warm === undefined ? [] : [words.warmFirst({ side: warm })]),
    isClosing && depthMm === 0 ? words.pressAlong() : words.deep({ mm: depthMm }),
    ...(angleDegrees === undefined ? [] : [words.atAngle({ degrees: angleDegrees })]),
    ...(leavesPick ? [words.leavePickIn()] : []),
    ...(isCorner ? [words.cornerLast()] : []),
  ]);
}

/** What says that it is right, and what must be so for it to show. */
export const sayCue = ({ kind, says, needs }: Cue): string =>
  words.cue({ kind, says, hasNeeds: needs === undefined ? 'no' : 'yes', needs: needs ?? '' });

/** A joint by the part it holds: “display plug”. */
export function sayJoint(model: Model, joint: Joint): string {
  const part = model.parts.find(({ id }) => joint.holds.includes(id));
  return words.jointOf({ part: part?.name ?? joint.id, kind: joint.kind.replaceAll('-', '_') });
}

/** Everything written of how hands do a step, a line each. */
export function sayHandwork(work: Handwork): readonly string[] {
  const {
    prepare = [],
    withTool,
    posture,
    motion,
    hold,
    heat,
    solvent,
    waits = [],
    seam = [],
    cues = [],
    helper,
  } = work;
  return [
    ...prepare.map((first) => words.firstDo({ first })),
    ...(withTool === undefined ? [] : [words.togetherWith({ tool: withTool })]),
    ...(posture === undefined ? [] : [posture]),
    ...(motion && motion.kind !== 'none' ? [sayMotion(motion)] : []),
    ...(hold ? [words.holdAt({ where: sayHold(hold) })] : []),
    ...(heat ? [sayHeat(heat)] : []),
    ...(solvent ? [words.ventilate({ name: solvent.name, minutesValue: solvent.ventilateMinutes })] : []),
    ...seam.map((segment, at) =>
      segment.isForbidden
        ? words.noToolThere({ at: at + 1 })
        : words.stretch({ at: at + 1, says: sayStretch(segment, false) }),
    ),
    ...waits.flatMap(({ first, minutes, fixture, what }) => [
      ...(first ? [first.does] : []),
      words.waitOn({ minutesValue: minutes, fixture, what: saySheet(what) }),
    ]),
    ...cues.map(sayCue),
    ...(helper === undefined ? [] : [words.secondHand({ does: helper })]),
    ...(work.needsCertificate ? [words.certifiedOnly()] : []),
  ];
}

/** How it is warmed: the surface, the heater's own setting, and when the adhesive gives. */
export function sayHeat({ source, celsius, softCelsius, setting }: Heat): string {
  return list([
    words.heatTo({ source, celsius }),
    ...(setting?.dialCelsius === undefined ? [] : [words.dialAt({ celsius: setting.dialCelsius })]),
    ...(setting?.distanceMm === undefined ? [] : [words.heldOff({ mm: setting.distanceMm })]),
    ...(setting?.minutes === undefined ? [] : [words.forMinutes({ minutesValue: setting.minutes })]),
    ...(softCelsius === undefined ? [] : [words.givesAt({ celsius: softCelsius })]),
  ]);
}
