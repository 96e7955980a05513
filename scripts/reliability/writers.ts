import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import type { Fact, FactType, Payloads } from '@/core/shop/facts';

const fact = <T extends FactType>(type: T, subjectId: string, payload: Payloads[T], expects: number | null): Fact =>
  ({ id: randomUUID(), type, subjectId, expects, at: new Date().toISOString(), payload }) as Fact;

/** Benches that go on writing whatever happens, and remember what was acknowledged to them. */
export class Writers {
  /** Ids of facts that the server said it has. */
  readonly acknowledged: string[] = [];
  /** Every fact that was ever sent. */
  readonly sent = new Set<string>();
  private isPaused = false;
  private isOver = false;
  private underWay = 0;
  private readonly loops: Promise<void>[];

  /** @param cookie  the session of now; it is another one after a restore */
  constructor(
    private readonly url: string,
    private readonly cookie: () => string,
    count: number,
  ) {
    this.loops = Array.from({ length: count }, () => this.write());
  }

  private async write(): Promise<void> {
    const [parcel, unit] = [randomUUID(), randomUUID()];
    const about = { supplier: 'Oddments', pricePaidCents: 1, transportCents: 0, receivedOn: '2026-01-01' };
    await this.say(fact('parcel-made', parcel, { code: parcel.slice(0, 8), ...about }, null));
    await this.say(fact('unit-tagged', unit, { parcelId: parcel, lineNo: null }, null));
    for (let version = 1; !this.isOver; version += 1) {
      await this.say(fact('note-written', unit, { stepId: null, text: `seen ${version}` }, version));
      await sleep(5);
    }
  }

  /** The very same fact again and again, as a bench does, until it is answered. */
  private async say(said: Fact): Promise<void> {
    this.sent.add(said.id);
    for (;;) {
      while (this.isPaused) await sleep(20);
      this.underWay += 1;
      const answer = await fetch(`${this.url}/api/facts`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'sec-fetch-site': 'same-origin', cookie: this.cookie() },
        body: JSON.stringify({ facts: [said] }),
        signal: AbortSignal.timeout(10_000),
      })
        .then(async (response) =>
          response.ok ? ((await response.json()) as { answers: { ok: boolean }[] }) : undefined,
        )
        .catch(() => undefined)
        .finally(() => (this.underWay -= 1));
      const [own] = answer?.answers ?? [];
      if (own?.ok) {
        this.acknowledged.push(said.id);
        return;
      }
      if (own) throw new Error(`a fact was refused: ${JSON.stringify(own)}`);
      await sleep(50);
    }
  }

  /** Nothing is under way when it returns. */
  async pause(): Promise<void> {
    this.isPaused = true;
    while (this.underWay > 0) await sleep(20);
  }

  resume(): void {
    this.isPaused = false;
  }

  async end(): Promise<void> {
    this.isOver = true;
    this.isPaused = false;
    await Promise.all(this.loops);
  }
}
