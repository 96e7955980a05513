import type { Skill } from './questions';

/** How well one thing is known: right answers in a row so far, at most the last of the intervals. */
export interface Recall {
  readonly item: string;
  readonly box: number;
  /** ISO date from which it is asked again. */
  readonly dueOn: string;
  readonly right: number;
  readonly wrong: number;
}

/** Days until something is asked again, by right answers in a row: what was wrong comes back the same day. */
export const intervalDays = [0, 1, 3, 7, 21] as const;

/**
 * What is remembered after an answer.
 *
 * @param day  ISO date of the answer
 * Source: Leitner's boxes
 */
export function afterAnswer(before: Recall | undefined, item: string, isRight: boolean, day: string): Recall {
  const box = isRight ? Math.min((before?.box ?? 0) + 1, intervalDays.length - 1) : 0;
  const due = new Date(`${day}T00:00:00Z`);
  due.setUTCDate(due.getUTCDate() + (intervalDays[box] as number));
  return {
    item,
    box,
    dueOn: due.toISOString().slice(0, 10),
    right: (before?.right ?? 0) + (isRight ? 1 : 0),
    wrong: (before?.wrong ?? 0) + (isRight ? 0 : 1),
  };
}

/** Whether something is asked on a day: what was never asked, and what is due. */
export const isDue = (recall: Recall | undefined, day: string): boolean => !recall || recall.dueOn <= day;

/** Of an item, what it asks for. */
export const skillOf = (item: string): Skill => item.split(':')[0] as Skill;

export interface SkillScore {
  readonly skill: Skill;
  readonly asked: number;
  readonly right: number;
}

/** A rehearsal is passed with so many right of all that were asked, each skill for itself. */
export const passShare = 0.9;

/** Right answers by skill; and whether every one of them passes. */
export function scoreOf(answers: readonly { readonly item: string; readonly isRight: boolean }[]): {
  readonly skills: readonly SkillScore[];
  readonly isPassed: boolean;
} {
  const bySkill = new Map<Skill, SkillScore>();
  for (const { item, isRight } of answers) {
    const skill = skillOf(item);
    const { asked, right } = bySkill.get(skill) ?? { asked: 0, right: 0 };
    bySkill.set(skill, { skill, asked: asked + 1, right: right + (isRight ? 1 : 0) });
  }
  const skills = [...bySkill.values()];
  return { skills, isPassed: skills.length > 0 && skills.every(({ asked, right }) => right >= passShare * asked) };
}
