/** What a way so far has made of a unit. */
export interface UnitOnTheWay {
  /** Operations done, as words. */
  readonly done: Int32Array;
  /** Operations that were left undone where they cost least: doing one later is never better than doing it then. */
  readonly gone: Int32Array;
  /** What is certain to be done, since something was done that is good for nothing else. */
  readonly due: Int32Array;
  /** Tools, faces and postures that may have been used. */
  readonly entered: Int32Array;
  readonly isOut: Uint8Array;
  /** Chance that each part is whole: as far as the way goes, or as it came out. */
  readonly alive: Float64Array;
  /** When what hangs on a wait beside the hand may begin; empty where there is none. */
  readonly readyAt: Float64Array;
  readonly size: number;
  readonly type: number;
  readonly clock: number;
  readonly cents: number;
  readonly hash: number;
}

/** One that changes: a state is laid on it, goes on, and is kept only when nothing better has done the same. */
export class UnitDraft implements UnitOnTheWay {
  readonly done: Int32Array;
  readonly gone: Int32Array;
  readonly due: Int32Array;
  readonly entered: Int32Array;
  readonly isOut: Uint8Array;
  readonly alive: Float64Array;
  readonly readyAt: Float64Array;
  size = 0;
  type = -1;
  clock = 0;
  cents = 0;
  hash = 0;

  constructor(like: UnitOnTheWay) {
    this.done = like.done.slice();
    this.gone = like.gone.slice();
    this.due = like.due.slice();
    this.entered = like.entered.slice();
    this.isOut = like.isOut.slice();
    this.alive = like.alive.slice();
    this.readyAt = like.readyAt.slice();
  }

  lay(unit: UnitOnTheWay): void {
    this.done.set(unit.done);
    this.gone.set(unit.gone);
    this.due.set(unit.due);
    this.entered.set(unit.entered);
    this.isOut.set(unit.isOut);
    this.alive.set(unit.alive);
    this.readyAt.set(unit.readyAt);
    this.size = unit.size;
    this.type = unit.type;
    this.clock = unit.clock;
    this.cents = unit.cents;
    this.hash = unit.hash;
  }

  kept(): UnitOnTheWay {
    return {
      done: this.done.slice(),
      gone: this.gone.slice(),
      due: this.due.slice(),
      entered: this.entered.slice(),
      isOut: this.isOut.slice(),
      alive: this.alive.slice(),
      readyAt: this.readyAt.slice(),
      size: this.size,
      type: this.type,
      clock: this.clock,
      cents: this.cents,
      hash: this.hash,
    };
  }
}

/** Whether one that has done the same and holds the same is as good as another in everything. */
export function isAsGood(a: UnitOnTheWay, b: UnitOnTheWay, isPaired: Uint8Array): boolean {
  if (a.cents < b.cents - 1e-9) return false;
  for (let part = 0; part < isPaired.length; part += 1) {
    if (isPaired[part] === 1 && (a.alive[part] as number) < (b.alive[part] as number) - 1e-12) return false;
  }
  for (let at = 0; at < a.readyAt.length; at += 1) {
    const wait = (a.readyAt[at] as number) - a.clock;
    if (wait > 1e-6 && wait > (b.readyAt[at] as number) - b.clock + 1e-6) return false;
  }
  return true;
}
