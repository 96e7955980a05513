import { isScrew } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { isTroubled } from './draftFromLogs';
import type { Path } from '@/core/procedure/patch';
import type { Imbalance } from './balance';
import { message, type Message } from '@/core/shared/message';

/** Something a draft lacks, and how much it would help to know it. */
export interface Question {
  readonly id: string;
  readonly asks: Message<'opening'>;
  readonly because: Message<'opening'>;
  /** What it is worth to the planner and to safety, from 100; the list is in this order. */
  readonly weight: number;
  /** Where in the document the answer goes; none when it is another log. */
  readonly path?: Path;
}

/**
 * What is missing in a draft from first openings, most useful first: safety, then what makes the document publishable,
 * then what the planner computes with, then what only helps to find it.
 *
 * @param logCount  how many logs the draft was made of
 */
export function questionsFor(model: Model, imbalances: readonly Imbalance[], logCount: number): readonly Question[] {
  const unvalued = model.parts.filter(({ slot, valueCents }) => slot !== undefined && valueCents === undefined);
  const asked: (Question | false)[] = [
    model.proofOfOff.trim() === '' && {
      id: 'proof-of-off',
      asks: message('opening.howSwitchedOffAndHow'),
      because: message('opening.noBoardLiftedBeforeOff'),
      weight: 100,
      path: ['proofOfOff'],
    },
    !model.parts.some(({ category }) => category === 'battery') && {
      id: 'battery',
      asks: message('opening.whichPartBattery'),
      because: message('opening.powerComesOffFirstAnd'),
      weight: 96,
      path: ['parts'],
    },
    ...imbalances.map(({ log, what, out, back }): Question => ({
      id: `balance-${log}-${what}`,
      asks: message('opening.logOutBackWhereDifference', { log, what, out, back }),
      because: message('opening.everythingThatComesOffGoes'),
      weight: 92,
    })),
    logCount > 0 &&
      model.operations.every(({ back }) => back === null) && {
        id: 'way-back',
        asks: message('opening.howDoesGoBackTogether'),
        because: message('opening.nothingClosesWhatWasOpened'),
        weight: 90,
      },
    logCount === 1 && {
      id: 'second-log',
      asks: message('opening.takeApartAgainInAnother'),
      because: message('opening.secondLogWillShowWhich', {
        count: model.operations.flatMap(({ after }) => after).length,
      }),
      weight: 80,
    },
    model.offWhenDead === undefined && {
      id: 'off-when-dead',
      asks: message('opening.howOffWhenDead'),
      because: message('opening.deadUnitsComeToo'),
      weight: 72,
      path: ['offWhenDead'],
    },
    ...lookAlikes(model),
    ...aboutScrews(model),
    ...model.operations.flatMap((operation, index) => aboutStep(model, operation, index)),
    unvalued.length > 0 && {
      id: 'values',
      asks: message('opening.whatGoodOneWorth', { names: unvalued.map(({ name }) => name) }),
      because: message('opening.plannerLeavesInAnyPart'),
      weight: 60,
      path: ['parts'],
    },
    model.faces.some(({ outlines }) => outlines.length === 0) && {
      id: 'places',
      asks: message('opening.whereAreJointsMoveThem'),
      because: message('opening.theyAreOnGridUntil'),
      weight: 50,
      path: ['faces'],
    },
    Object.values(model.priceCents).every((cents) => cents === 0) && {
      id: 'price',
      asks: message('opening.whatDoesWholeOneSell'),
      because: message('opening.triageComparesWithItsParts'),
      weight: 45,
      path: ['priceCents'],
    },
    model.revisions.length < 2 && {
      id: 'revisions',
      asks: message('opening.haveYouSeenOneThat'),
      because: message('opening.revisionsChangeSteps'),
      weight: 15,
      path: ['revisions'],
    },
  ];
  return asked.filter((question) => question !== false).sort((a, b) => b.weight - a.weight);
}

/** What is seen of screws once, and of all of them together. */
function aboutScrews({ joints }: Model): readonly Question[] {
  const at = joints.findIndex(isScrew);
  const screws = joints.filter(isScrew);
  if (at === -1) return [];
  return [
    ...(screws.some(({ isCaptive }) => isCaptive !== undefined)
      ? []
      : [
          {
            id: 'captive',
            asks: message('opening.doAnyScrewsStay'),
            because: message('opening.captiveScrewsHaveNoCup'),
            weight: 40,
            path: ['joints', at, 'isCaptive'],
          },
        ]),
    ...(screws.some(({ mark }) => mark !== undefined)
      ? []
      : [
          {
            id: 'marks',
            asks: message('opening.isAnythingPrinted'),
            because: message('opening.printedMarksShow'),
            weight: 12,
            path: ['joints', at, 'mark'],
          },
        ]),
  ];
}

/** What a log cannot tell of a step: where its heat, its seam and its waits are, how far it moves, what helps when it sticks. */
function aboutStep({ joints, parts, operations }: Model, operation: Operation, index: number): readonly Question[] {
  const { id, title, opens, heat, solvent, seam, motion, ladder, limit, detail, back } = operation;
  const opened = joints.filter((joint) => opens.includes(joint.id));
  const isGlued = opened.some(({ kind }) => kind === 'glue');
  // A log that warmed something just before has a step of its own for it.
  const isWarmed = [operation, operations[index - 1]].some((step) => step?.heat ?? step?.solvent);
  const held = new Set(opened.flatMap(({ holds }) => holds));
  const tie = operations
    .slice(index + 1)
    .flatMap((later) => joints.filter((joint) => later.opens.includes(joint.id)))
    .find(({ kind, holds }) => (kind === 'ribbon' || kind === 'plug') && holds.some((part) => held.has(part)));
  const tied = parts.find((part) => tie?.holds.includes(part.id) && held.has(part.id));
  const ask = (field: keyof Operation, question: Pick<Question, 'asks' | 'because' | 'weight'>): Question => ({
    id: `${field}-${id}`,
    ...question,
    path: ['operations', index, field],
  });
  const asked: (Question | false | undefined)[] = [
    isGlued &&
      !isWarmed &&
      !heat &&
      !solvent &&
      ask('heat', {
        asks: message('opening.howWarm', { title }),
        because: message('opening.heatIsHeldAgainstCell'),
        weight: 68,
      }),
    isGlued &&
      seam === undefined &&
      ask('seam', {
        asks: message('opening.whereSeamBegins', { title }),
        because: message('opening.depthAndCornersPerStretch'),
        weight: 56,
      }),
    tied !== undefined &&
      limit === undefined &&
      ask('limit', {
        asks: message('opening.howFarOpens', { name: tied.name, title }),
        because: message('opening.cableTiesIt'),
        weight: 66,
      }),
    opened.some(({ kind }) => kind === 'tab') &&
      motion === undefined &&
      ask('motion', {
        asks: message('opening.whichWay', { title }),
        because: message('opening.arrowShowsIt'),
        weight: 44,
      }),
    isTroubled(detail) &&
      ladder === undefined &&
      ask('ladder', {
        asks: message('opening.whatHelps', { title }),
        because: message('opening.rungsGiveUpInTime'),
        weight: 54,
      }),
    isGlued &&
      back !== null &&
      back.waits === undefined && {
        id: `cure-${id}`,
        asks: message('opening.howLongCures', { title: back.title }),
        because: message('opening.dayPlanUsesWait'),
        weight: 52,
        path: ['operations', index, 'back', 'waits'],
      },
  ];
  return asked.filter((question) => question !== false && question !== undefined);
}

/** Screws of one drive that can be mistaken: what lies below the shallower hole decides what a mix-up costs. */
function lookAlikes(model: Model): readonly Question[] {
  const screws = model.joints.filter(isScrew);
  const questions = new Map<string, Question>();
  for (const screw of screws) {
    const { drive, lengthMm } = screw;
    const ask = (field: 'lengthMm' | 'depthMm', question: Pick<Question, 'asks' | 'because' | 'weight'>) => {
      const id = `${field === 'depthMm' ? 'depth' : 'length'}-${drive}-${lengthMm ?? 'unknown'}`;
      if (!questions.has(id))
        questions.set(id, { id, ...question, path: ['joints', model.joints.indexOf(screw), field] });
    };
    if (lengthMm === undefined) {
      ask('lengthMm', {
        asks: message('opening.howLongAreThose', { drive }),
        because: message('opening.unknownLengthCannotBeTold'),
        weight: 65,
      });
      continue;
    }
    if (screw.depthMm !== undefined) continue;
    const long = screws.find(
      (other) =>
        other.drive === drive &&
        other.lengthMm !== undefined &&
        other.lengthMm > lengthMm &&
        other.lengthMm - lengthMm <= 2,
    );
    if (long?.lengthMm === undefined) continue;
    ask('depthMm', {
      asks: message('opening.howDeepHole', { drive, lengthMm }),
      because: message('opening.mmScrewWithSameDrive', { lengthMm: long.lengthMm }),
      weight: 70,
    });
  }
  return [...questions.values()];
}
