import type { ForbiddenKind, IndicatorKind } from './vocabulary';

/** Millimetres on a face, origin at its upper left. */
export interface Point {
  readonly xMm: number;
  readonly yMm: number;
}

/** A rectangle of a face. */
export interface Area extends Point {
  readonly label: string;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** The side that is up, drawn to scale. */
export interface Face {
  readonly id: string;
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly cornerMm: number;
  /** The outline where it is no rounded rectangle: corners in order, closed by itself. */
  readonly edge?: readonly Point[];
  readonly outlines: readonly Outline[];
  readonly keepOut: readonly KeepOut[];
  /** Where a plate lies below: metal may go here. */
  readonly protectedZones?: readonly ProtectedZone[];
  readonly indicators?: readonly Indicator[];
}

/** Stands for a part or an opening. */
export interface Outline extends Area {
  readonly part?: string;
  readonly isRound?: boolean;
}

export interface KeepOut extends Area {
  readonly because: string;
  /** What may not go there; any tool when left out. */
  readonly forbids?: ForbiddenKind;
  /** A tool may go this deep and no deeper; not at all when left out. */
  readonly depthMm?: number;
  /** The operation after which the zone is free. */
  readonly until?: string;
}

export interface ProtectedZone extends Area {
  readonly because: string;
}

/** Something to look at when it becomes visible. */
export interface Indicator extends Point {
  readonly label: string;
  readonly kind: IndicatorKind;
  /** The operation that uncovers it; visible from outside when left out. */
  readonly after?: string;
  readonly ask: string;
}
