/*
 * One server process: the framework behind the platform's own HTTP server, with a door beside it for the requests that come most
 * often. The application hangs that door up itself when it starts (src/instrumentation.ts); until then the framework takes all.
 *
 * node server.cjs HOST PORT
 */
const cluster = require('node:cluster');
const { once } = require('node:events');
const { createServer } = require('node:http');
const next = require('next');
const { portTaken, tellListening, endWithParent } = require('./family.cjs');
const { readableAddress, refuseAddress } = require('./address.cjs');
const { bodyFault, refuseBody } = require('./bodies.cjs');
const { setHeaders } = require('./headers.cjs');
const { makeFollowLane } = require('./followLane.cjs');
const { startWatch } = require('./watch.cjs');

const [hostname, port] = process.argv.slice(2);
/** Longer than a bench rests between two facts, so that it need not knock anew. */
const keepAliveMs = 65_000;
/** Requests under way get so long to finish. */
const patienceMs = 3_000;

process.title = 'plucky-server';

const watched = startWatch();
const application = next({ dev: false, dir: process.cwd(), hostname, port: Number(port) });

/** Behind a proxy of the shop's own (`PLUCKY_PROXY=1`) the address is what that one noted last. */
function addressOf(request) {
  const noted = String(request.headers['x-forwarded-for'] ?? '')
    .split(',')
    .at(-1)
    .trim();
  return (process.env.PLUCKY_PROXY === '1' && noted) || (request.socket.remoteAddress ?? '');
}

/** Answers under way. */
const open = new Set();
const isStream = (response) => String(response.getHeader('content-type')).startsWith('text/event-stream');
/** How often the door opened. */
let taken = 0;
const follow = makeFollowLane(() => taken);

async function begin() {
  await application.prepare();
  const handle = application.getRequestHandler();
  const answer = (request, response) => {
    const fault = bodyFault(request);
    if (fault) refuseBody(fault, request, response);
    else if (!readableAddress(request.url)) refuseAddress(request, response);
    else if (globalThis.pluckyDoor?.(request, response)) taken += 1;
    else if (request.headers['plucky-follows']) {
      const answered = once(response, 'close');
      follow(
        async () => void (await Promise.all([handle(request, response), answered])),
        () => response.destroyed,
      );
    } else
      handle(request, response).catch((error) => {
        console.error(error);
        response.destroy();
      });
  };
  const server = createServer({ keepAliveTimeout: keepAliveMs }, (request, response) => {
    setHeaders(request, response);
    // Only we say where somebody comes from.
    request.headers['plucky-address'] = addressOf(request);
    open.add(response);
    response.on('close', () => open.delete(response));
    watched(request, response, () => answer(request, response));
  });
  const end = () => {
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    // A stream never ends by itself; whoever listens connects anew.
    for (const response of open) if (isStream(response)) response.destroy();
    setTimeout(() => server.closeAllConnections(), patienceMs).unref();
  };
  process.on('SIGTERM', end);
  process.on('SIGINT', end);
  server.on('error', (error) => {
    console.error(error);
    process.exit(error.code === 'EADDRINUSE' ? portTaken : 1);
  });
  server.listen(Number(port), hostname, () => {
    if (cluster.isWorker) return;
    endWithParent(end);
    tellListening();
  });
}

begin().catch((error) => {
  console.error(error);
  process.exit(1);
});
