import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import { setTimeout as sleep } from 'node:timers/promises';
import { Chance } from '@/core/shared/chance';
import type { Act, Kind } from './kinds';
import { escaped, page } from './panel';

/** Where a stand-in speaks to, and as what. */
export interface Wired {
  readonly instrument: string;
  readonly kind: Kind;
  readonly url: string;
  readonly key: string;
}

interface Answer {
  readonly ok?: boolean;
  readonly refusal?: { readonly reason: string };
}

/**
 * An instrument that is not there, as a process of its own: a small page with a button for each thing that it can be made to read.
 * It knows nothing of the application but the message of docs/formats/readings.md.
 */
export class StandIn {
  private readonly chance = new Chance(Date.now() % 1_000_000);
  private said: string[] = [];

  constructor(private readonly wired: Wired) {}

  /** @param port  0 for any that is free */
  async serve(port: number): Promise<{ readonly server: Server; readonly url: string }> {
    const server = createServer((request, response) => {
      const act = this.wired.kind.acts.find(({ id }) => request.url === `/${id}`);
      if (request.method === 'POST' && act) void this.does(act);
      if (request.method === 'POST') {
        response.writeHead(303, { location: '/' }).end();
        return;
      }
      response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(this.panel());
    });
    await new Promise<void>((ready) => server.listen(port, '127.0.0.1', ready));
    const address = server.address();
    return { server, url: `http://127.0.0.1:${typeof address === 'object' && address ? address.port : port}` };
  }

  private panel(): string {
    const { name, acts } = this.wired.kind;
    return page(
      name,
      'It measures nothing, and says what it is told to.',
      Object.fromEntries(acts.map(({ id, label }) => [id, label])),
      `<ul>${this.said.map((line) => `<li>${escaped(line)}</li>`).join('')}</ul>`,
    );
  }

  /** Reads something, and says it. */
  async does({ says, clockOffS = 0, isTwice = false, perSecond }: Act): Promise<void> {
    const all = says(this.chance).map((one) => ({
      id: randomUUID(),
      instrument: this.wired.instrument,
      isSimulated: true,
      ...one,
    }));
    const messages = isTwice ? [...all, ...all] : all;
    const dated = (one: object) => ({ ...one, at: new Date(Date.now() + clockOffS * 1000).toISOString() });
    if (messages.length < 3)
      for (const one of messages) this.note(await this.post(JSON.stringify(dated(one)), 'application/json'));
    else
      await this.stream(
        messages.map((one) => () => JSON.stringify(dated(one))),
        perSecond,
      );
  }

  private async stream(lines: readonly (() => string)[], perSecond: number | undefined): Promise<void> {
    const encoder = new TextEncoder();
    let at = 0;
    const body = new ReadableStream<Uint8Array>({
      pull: async (controller) => {
        const line = lines[at];
        at += 1;
        if (!line) return controller.close();
        if (perSecond !== undefined) await sleep(1000 / perSecond);
        return controller.enqueue(encoder.encode(`${line()}\n`));
      },
    });
    this.note(await this.post(body, 'application/x-ndjson'));
  }

  private async post(body: string | ReadableStream<Uint8Array>, type: string): Promise<string> {
    const { url, key } = this.wired;
    const response = await fetch(`${url}/api/readings`, {
      method: 'POST',
      headers: { authorization: `Bearer ${key}`, 'content-type': type },
      body,
      ...(typeof body !== 'string' && { duplex: 'half' }),
    } as RequestInit).catch(() => undefined);
    if (!response) return 'nobody answers';
    const text = await response.text();
    const answers = text.split('\n').flatMap((line): Answer[] => {
      try {
        return [JSON.parse(line) as Answer];
      } catch {
        return [];
      }
    });
    const refused = answers.flatMap(({ refusal }) => refusal?.reason ?? []);
    const taken = answers.filter(({ ok }) => ok).length;
    return [
      `${taken} taken`,
      ...[...new Set(refused)].map((reason) => `${refused.filter((own) => own === reason).length} × ${reason}`),
    ].join(', ');
  }

  private note(said: string): void {
    this.said = [`${new Date().toLocaleTimeString()}  ${said}`, ...this.said].slice(0, 12);
  }
}
