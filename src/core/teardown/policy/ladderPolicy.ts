import type { Minutes, Operation } from '@/core/procedure/operations';
import type { Finding } from '@/core/procedure/vocabulary';
import { attendedMinutes } from '../attendedMinutes';
import { message, type Wording } from '@/core/shared/message';
import { triangleShare } from '@/core/statistics/triangleShare';

/** Chance that a joint yields at all to the usual way, to each further rung, and to a more practised hand. */
export interface YieldOdds {
  readonly usual: number;
  readonly rung: number;
  readonly practised: number;
}

/** What is assumed where the log knows nothing yet; see `learnedOdds`. */
export const startingOdds: YieldOdds = { usual: 0.85, rung: 0.6, practised: 0.7 };

/** One way of getting a joint to yield: the usual one, a rung of its ladder, or another person's hand. */
export interface Stage {
  readonly says: Wording<'sheet'>;
  /** Time until it yields, if it yields to this at all. */
  readonly minutes: Minutes;
  readonly yields: number;
  /** Chance that beginning with it breaks what is behind. */
  readonly breakage: number;
  readonly consumableCents: number;
  /** It is a more practised hand. */
  readonly isOther?: true;
}

export type Move = 'go-on' | 'next-rung' | 'hand-over' | 'stop';

export interface StagePlan extends Stage {
  /** Minutes after which going on is no longer the best, and what is then. */
  readonly leaveAt: number;
  readonly then: Exclude<Move, 'go-on'>;
}

export interface LadderPolicy {
  /** The stages that are worth beginning, in order. */
  readonly stages: readonly StagePlan[];
  /** Expected cents of following it: what is behind, less labour, consumables and what breaks. */
  readonly cents: number;
  readonly minutes: number;
  readonly yieldChance: number;
  readonly breakChance: number;
  /** Where it ends when it does not yield. */
  readonly stop: Wording<'sheet'>;
}

/** Steps of the clock of the decision, in minutes. */
const tick = 0.05;

/**
 * The joint in a more practised hand: as the gentlest way took, with half of the breakage of the last rung, after the
 * minutes it takes to say what was tried.
 */
export function handOverStage(stages: readonly Stage[], odds: YieldOdds, minutes: number, labourCents: number): Stage {
  const [usual] = stages as readonly [Stage];
  return {
    says: message('sheet.handOver'),
    minutes: usual.minutes,
    yields: odds.practised,
    breakage: (stages.at(-1) as Stage).breakage / 2,
    consumableCents: minutes * labourCents,
    isOther: true,
  };
}

/** The usual way and the rungs of an operation as stages. */
export function stagesOf(operation: Operation, findings: readonly Finding[], odds: YieldOdds): readonly Stage[] {
  const usual: Stage = {
    says: operation.title,
    minutes: attendedMinutes(operation, findings),
    yields: odds.usual,
    breakage: 0,
    consumableCents: 0,
  };
  const rungs = (operation.ladder?.rungs ?? []).map(({ says, minutes, mostMinutes, breakage, consumable }): Stage => ({
    says,
    minutes: { low: Math.min(minutes, mostMinutes) / 2, likely: Math.min(minutes, mostMinutes), high: mostMinutes },
    yields: odds.rung,
    breakage,
    consumableCents: consumable ? consumable.count * consumable.unitCents : 0,
  }));
  return [usual, ...rungs];
}

/**
 * How long to try at a joint that will not yield, and what to do then: go on, take the next rung, or stop.
 *
 * In each stage the joint yields with a chance, after a time that is a triangle; the longer it has not, the likelier it
 * never will. Backwards over the stages and over a clock of 3 s, each moment compares going on, the next rung (which may
 * break what is behind, and ends the stage for good), handing it over, and stopping, which brings nothing more and loses
 * nothing.
 *
 * @param behindCents    what yielding is worth: the parts behind it, less the work that still follows
 * @param labourCents    of a minute
 * @param other          somebody more practised, where there is one (`handOverStage`): possible after any stage, and last
 * @returns stages with the moment to leave each; none when it is not worth beginning
 * Cost: O(minutes of all stages / 0.05)
 */
export function ladderPolicy(
  stages: readonly Stage[],
  behindCents: number,
  labourCents: number,
  stop: Wording<'sheet'> = message('sheet.stopHere'),
  other: Stage | null = null,
): LadderPolicy {
  const nothing: LadderPolicy = { stages: [], cents: 0, minutes: 0, yieldChance: 0, breakChance: 0, stop };
  const handedOver = other ? ladderPolicy([other], behindCents, labourCents, stop) : nothing;
  return stages.reduceRight<LadderPolicy>((below, stage) => {
    const next = below.cents >= handedOver.cents ? below : handedOver;
    const { plan, ...inside } = within(
      stage,
      next,
      next === handedOver && other ? 'hand-over' : 'next-rung',
      behindCents,
      labourCents,
    );
    const whole = 1 - stage.breakage;
    const cents = whole * inside.cents - stage.consumableCents;
    if (cents <= 0) return nothing;
    return {
      stages: [plan, ...(plan.then === 'stop' ? [] : next.stages)],
      cents,
      minutes: whole * inside.minutes,
      yieldChance: whole * inside.yieldChance,
      breakChance: stage.breakage + whole * inside.breakChance,
      stop,
    };
  }, nothing);
}

/** One stage, begun and not broken, with the best that comes after it. */
function within(
  stage: Stage,
  next: LadderPolicy,
  to: 'next-rung' | 'hand-over',
  behindCents: number,
  labourCents: number,
) {
  const ticks = Math.max(1, Math.ceil(stage.minutes.high / tick));
  const then = next.cents > 0 ? to : ('stop' as const);
  const leaving = {
    cents: next.cents,
    minutes: next.minutes,
    yieldChance: next.yieldChance,
    breakChance: next.breakChance,
  };
  let now = leaving;
  let leaveAt = ticks;
  for (let at = ticks - 1; at >= 0; at -= 1) {
    const yielding = yieldWithin(stage, at * tick, (at + 1) * tick);
    const goOn = {
      cents: yielding * behindCents + (1 - yielding) * now.cents - tick * labourCents,
      minutes: tick + (1 - yielding) * now.minutes,
      yieldChance: yielding + (1 - yielding) * now.yieldChance,
      breakChance: (1 - yielding) * now.breakChance,
    };
    if (goOn.cents > leaving.cents) now = goOn;
    else {
      now = leaving;
      leaveAt = at;
    }
  }
  const plan: StagePlan = { ...stage, leaveAt: Math.min(stage.minutes.high, leaveAt * tick), then };
  return { plan, ...now };
}

/** Chance to yield before the second moment, when it has not at the first. */
function yieldWithin({ yields, minutes }: Stage, from: number, to: number): number {
  const before = yields * triangleShare(minutes, from);
  return before >= 1 ? 1 : (yields * triangleShare(minutes, to) - before) / (1 - before);
}
