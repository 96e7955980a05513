import { parseTag } from '@/core/shared/tags';

export interface KeyTargets {
  /** Runs what a key is bound to; false when it is bound to nothing. */
  readonly run: (key: string) => boolean;
  readonly scan: (tag: string) => void;
  /** Takes a scanned code that is no tag; false when the screen has no use for it. */
  readonly scanCode?: (code: string) => boolean;
  /** Calls back after a while, and gives a way to call it off. */
  readonly later: (work: () => void, ms: number) => () => void;
}

/** A scanner's characters come a few milliseconds apart; a hand's do not. */
const scannerGapMs = 30;
const burstEndMs = 100;
/** Codes of things are longer than any run of keys that a hand types this fast. */
const shortestCode = 6;

/**
 * Tells a scanner from a hand. A scanner is a keyboard that types a tag and Enter very fast, and a tag's letters are
 * keys of the bench too; so a letter or digit waits one scanner gap before it acts. What turns out not to be a scan is
 * then acted on key by key: nothing is lost. Space and the other keys act at once.
 */
export class KeyDispatcher {
  private burst: string[] = [];
  private callOff: () => void = () => undefined;

  constructor(private readonly targets: KeyTargets) {}

  /** Whether something may be coming from a scanner just now. */
  get isInBurst(): boolean {
    return this.burst.length > 0;
  }

  /** @returns true when the key was used, so that the browser does nothing with it */
  press(key: string): boolean {
    if (/^[a-z0-9-]$/i.test(key)) {
      this.burst.push(key);
      this.callOff();
      this.callOff = this.targets.later(() => this.flush(), this.burst.length === 1 ? scannerGapMs : burstEndMs);
      return true;
    }
    const scanned = key === 'Enter' && this.burst.length >= 3 ? parseTag(this.burst.join('')) : undefined;
    if (scanned) {
      this.clear();
      this.targets.scan(scanned.tag);
      return true;
    }
    const code = this.burst.join('');
    if (key === 'Enter' && code.length >= shortestCode && this.targets.scanCode?.(code)) {
      this.clear();
      return true;
    }
    this.flush();
    return this.targets.run(key);
  }

  private flush(): void {
    const keys = this.burst;
    this.clear();
    for (const key of keys) this.targets.run(key.toLowerCase());
  }

  private clear(): void {
    this.callOff();
    this.burst = [];
  }
}
