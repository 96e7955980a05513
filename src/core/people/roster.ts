import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Role } from './roles';

/** What a lead may say about somebody of the shop. */
export interface MemberDetails {
  readonly name: string;
  readonly role: Role;
  /** Id of the bench at which somebody usually works. */
  readonly usualBench: string | null;
  /** Until when steps for certified people are open, an ISO date; null where somebody is not certified. */
  readonly certifiedUntil: string | null;
  /** Who has left signs in no more; what they did stays theirs. */
  readonly hasLeft: boolean;
}

export interface Member extends MemberDetails {
  readonly id: string;
  /** Counts changes up, so that two leads at once do not overwrite each other. */
  readonly version: number;
}

const isLead = ({ role, hasLeft }: MemberDetails): boolean => role === 'lead' && !hasLeft;

/** Names are one even where case and spaces differ: a name is called across the room. */
const spoken = (name: string): string => name.trim().replace(/\s+/g, ' ').toLocaleLowerCase('en');

/**
 * Whether somebody may be as described, given everybody else.
 *
 * @param id  who is changed; null for somebody new
 * @refuses 'name-taken' by the name of another, also of one who has left; 'last-lead' when no lead would remain
 */
export function judgeMember(
  everybody: readonly Member[],
  id: string | null,
  details: MemberDetails,
): Outcome<MemberDetails> {
  const others = everybody.filter((member) => member.id !== id);
  const name = details.name.trim().replace(/\s+/g, ' ');
  if (others.some((member) => spoken(member.name) === spoken(name))) return refuse('name-taken', { name });
  const before = everybody.find((member) => member.id === id);
  if (before && isLead(before) && !isLead(details) && !others.some(isLead))
    return refuse('last-lead', { name: before.name });
  return accept({ ...details, name });
}

/** Whether steps for certified people are open on a day. @param day ISO date, by the shop's own day */
export const isCertified = ({ certifiedUntil }: Pick<MemberDetails, 'certifiedUntil'>, day: string): boolean =>
  certifiedUntil !== null && certifiedUntil >= day;

/** PINs that are tried first by anybody: one digit over and over, and digits that count up or down. */
export function isGuessable(pin: string): boolean {
  const steps = [...pin].slice(1).map((digit, at) => Number(digit) - Number(pin[at]));
  return [0, 1, -1].some((step) => steps.every((each) => each === step));
}

/** What changes for somebody who is signed in: then they sign in anew, with what is theirs now. */
export const mustSignInAnew = (before: MemberDetails, after: MemberDetails): boolean =>
  before.role !== after.role || before.name !== after.name || after.hasLeft;
