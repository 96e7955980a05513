import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Numbers that a generator gives before its seed shows no more. */
const warmUp = 16;

/** A seeded source of chance, so that the same question has the same answer, and the demo is the same every time. */
export class Chance {
  private readonly numbers;

  constructor(seed: number) {
    this.numbers = xoroshiro128plus(seed);
    for (let given = 0; given < warmUp; given += 1) this.numbers.next();
  }

  /** In [0, 1). */
  next(): number {
    return uniformFloat64(this.numbers);
  }

  happens(share: number): boolean {
    return this.next() < share;
  }

  pick<T>(items: readonly T[]): T {
    return items[Math.floor(this.next() * items.length)] as T;
  }

  between(low: number, high: number): number {
    return low + this.next() * (high - low);
  }

  /** A UUID of version 4 from this source. */
  uuid(): string {
    const hex = Array.from({ length: 32 }, () => Math.floor(this.next() * 16).toString(16));
    hex[12] = '4';
    hex[16] = this.pick(['8', '9', 'a', 'b']);
    const text = hex.join('');
    return [text.slice(0, 8), text.slice(8, 12), text.slice(12, 16), text.slice(16, 20), text.slice(20)].join('-');
  }
}
