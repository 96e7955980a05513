import { connect, createServer, type AddressInfo, type Socket } from 'node:net';

/** A way to the application that can be cut and mended, as a cable would be. */
export interface BreakableWay {
  readonly url: string;
  readonly cut: () => void;
  /** From here on nothing that is asked gets through, and nobody is told so; what the server says still does. */
  readonly hold: () => void;
  readonly mend: () => void;
  readonly close: () => Promise<void>;
}

/** Passes bytes to and fro until it is cut: then what is open breaks, and what comes is turned away. */
export async function breakableWay(to: string): Promise<BreakableWay> {
  const { hostname, port } = new URL(to);
  const open = new Set<Socket>();
  let isCut = false;
  let isHeld = false;
  const asking = new Set<Socket>();
  const server = createServer((here) => {
    if (isCut) return void here.destroy();
    const there = connect(Number(port), hostname);
    asking.add(here);
    here.on('close', () => asking.delete(here));
    for (const [one, other] of [
      [here, there],
      [there, here],
    ] as const) {
      open.add(one);
      one.pipe(other);
      if (isHeld && one === here) one.pause();
      // Broken on one side is broken on both.
      one.on('error', () => undefined);
      one.on('close', () => {
        open.delete(one);
        other.destroy();
      });
    }
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const breakAll = () => {
    for (const socket of open) socket.destroy();
  };
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    cut: () => {
      isCut = true;
      breakAll();
    },
    hold: () => {
      isHeld = true;
      for (const socket of asking) socket.pause();
    },
    mend: () => {
      isCut = false;
      isHeld = false;
      for (const socket of asking) socket.resume();
    },
    close: () =>
      new Promise((done) => {
        server.close(() => done());
        breakAll();
      }),
  };
}
