import { createServer, type Server } from 'node:http';
import { escaped, page } from './panel';

interface Job {
  readonly id: number;
  readonly tag: string;
  readonly svg: string;
}

/** What its panel can do to it, by the path that does it. */
const acts = {
  'empty-roll': 'Take the roll out',
  'load-roll': 'Load a roll of 200',
  jam: 'Jam it',
  clear: 'Clear the jam',
  forget: 'Print one and lose the power before saying so',
} as const;
type Act = keyof typeof acts;

const everyMs = 1000;
const mostAtOnce = 4;

/**
 * A label printer that is not there, as a process of its own: it asks for work each second, draws what it is given on its page
 * and says what came out. It knows nothing of the application but docs/formats/printing.md.
 */
export class PrinterStandIn {
  private paper = 200;
  private isJammed = false;
  private forgets = false;
  private printed: number[] = [];
  private out: Job[] = [];
  private said = 'not asked yet';
  private timer: NodeJS.Timeout | undefined;

  constructor(
    private readonly url: string,
    private readonly key: string,
  ) {}

  /** @param port  0 for any that is free */
  async serve(port: number): Promise<{ readonly server: Server; readonly url: string }> {
    const server = createServer((request, response) => {
      const act = (Object.keys(acts) as Act[]).find((id) => request.url === `/${id}`);
      if (request.method === 'POST') {
        if (act) this.does(act);
        response.writeHead(303, { location: '/' }).end();
        return;
      }
      response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(this.panel());
    });
    await new Promise<void>((ready) => server.listen(port, '127.0.0.1', ready));
    const again = () => {
      this.timer = setTimeout(() => void this.ask().finally(again), everyMs);
    };
    again();
    server.once('close', () => clearTimeout(this.timer));
    const address = server.address();
    return { server, url: `http://127.0.0.1:${typeof address === 'object' && address ? address.port : port}` };
  }

  private does(act: Act): void {
    if (act === 'empty-roll') this.paper = 0;
    if (act === 'load-roll') this.paper = 200;
    if (act === 'jam' || act === 'clear') this.isJammed = act === 'jam';
    if (act === 'forget') this.forgets = true;
  }

  private get trouble(): 'jammed' | 'no-paper' | null {
    if (this.isJammed) return 'jammed';
    return this.paper === 0 ? 'no-paper' : null;
  }

  private async ask(): Promise<void> {
    const { trouble, printed } = this;
    const response = await fetch(`${this.url}/api/print-jobs`, {
      method: 'POST',
      headers: { authorization: `Bearer ${this.key}`, 'content-type': 'application/json' },
      body: JSON.stringify({ printed, room: Math.min(mostAtOnce, this.paper), trouble, isSimulated: true }),
    }).catch(() => undefined);
    if (!response?.ok) {
      // What came out is said again with the next question.
      this.said = response ? `refused (${response.status})` : 'nobody answers';
      return;
    }
    this.printed = this.printed.filter((id) => !printed.includes(id));
    const { jobs, waiting } = (await response.json()) as { readonly jobs: readonly Job[]; readonly waiting: number };
    this.said = `${waiting} waiting`;
    for (const job of jobs) this.print(job);
  }

  private print(job: Job): void {
    if (this.trouble !== null) return;
    this.paper -= 1;
    this.out = [job, ...this.out].slice(0, 12);
    if (!this.forgets) this.printed.push(job.id);
    this.forgets = false;
  }

  private panel(): string {
    const state = this.trouble ?? `${this.paper} labels on the roll`;
    const images = this.out.map(
      ({ tag, svg }) =>
        `<li data-tag="${escaped(tag)}"><img alt="${escaped(tag)}" width="220" src="data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}"></li>`,
    );
    return page('Label printer', `${state}; ${this.said}`, acts, `<ul>${images.join('\n')}</ul>`);
  }
}
