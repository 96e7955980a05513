import type { Point } from './faces';
import type { HeadForm, JointKind, MarkColour, MarkShape, RibbonLock } from './vocabulary';

interface JointBase extends Point {
  readonly id: string;
  readonly face: string;
  readonly holds: readonly string[];
  /** The cap, sticker or foot (a joint) that lies over it. */
  readonly hiddenBy?: string;
  /** Joints that open by themselves when this one does. */
  readonly releases?: readonly string[];
  /** Opening it takes a power source off. */
  readonly power?: boolean;
  /** What is printed beside it. */
  readonly mark?: PrintedMark;
}

/** A letter or number of up to three signs, or a shape, in a colour. */
export interface PrintedMark {
  readonly text?: string;
  readonly shape?: MarkShape;
  readonly colour?: MarkColour;
}

export interface TorqueNewtonCm {
  readonly low: number;
  readonly aim: number;
  readonly high: number;
}

export interface Screw extends JointBase {
  readonly kind: 'screw';
  /** Drive by its standard name and size; `drives.ts` has the families. */
  readonly drive: string;
  readonly form?: HeadForm;
  /** What nobody has measured is left out, and stays unknown. */
  readonly lengthMm?: number;
  readonly diameterMm?: number;
  /** Depth to what a longer screw would hurt. */
  readonly depthMm?: number;
  readonly torqueNewtonCm?: TorqueNewtonCm;
  readonly singleUse?: boolean;
  /** Stays in its part: it is loosened, and lies in no cup. */
  readonly isCaptive?: boolean;
  /** The screw (a joint) whose head is this one's thread: it comes out before that one. */
  readonly threadsInto?: string;
  /** Place in the order of loosening and of tightening, from 1, where that matters. */
  readonly loosenAt?: number;
  readonly tightenAt?: number;
  /** The cup the author wants it in; left out, every kind gets its own. */
  readonly cup?: string;
}

export interface OtherJoint extends JointBase {
  readonly kind: Exclude<JointKind, 'screw'>;
  /** A ribbon's lock: opened before the ribbon is drawn. */
  readonly lock?: RibbonLock;
  /** The plug (a joint) at the end of a cable that is threaded, taped or laid in a channel here. */
  readonly leadsTo?: string;
}

export type Joint = Screw | OtherJoint;

export const isScrew = (joint: Joint): joint is Screw => joint.kind === 'screw';

/** A screw that comes out of its hole and lies somewhere until it goes back. */
export const comesOut = (joint: Joint): joint is Screw => isScrew(joint) && joint.isCaptive !== true;

/** Caps and covers over screws lie in a cup like screws: each is there once, and easily lost. */
export const isCap = (joint: Joint): boolean => joint.kind === 'cap';
