import { hash } from '@node-rs/argon2';
import { randomInt } from 'node:crypto';
import { isGuessable } from '@/core/people/roster';

/** A PIN of six digits that nobody tries first. */
export function drawPin(): string {
  for (;;) {
    const pin = String(randomInt(0, 1_000_000)).padStart(6, '0');
    if (!isGuessable(pin)) return pin;
  }
}

/** A PIN hashed with Argon2id (19 MiB, two passes: OWASP's least). */
export const hashPin = (pin: string): Promise<string> => hash(pin, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });
