/* What watches a server process. The application finds it as `globalThis.pluckyWatch` (src/app/watch.ts says its shape). */
const { during, idOf, note, takeConsole } = require('./log.cjs');
const { makeMetrics } = require('./metrics.cjs');
const { readRoutes } = require('./routes.cjs');

/** A query that takes so long holds somebody up. */
const slowMs = 500;
/** Asked all day by who starts processes: nobody would read it. */
const quiet = new Set(['/_next', '/api/health', '/api/ready', '/api/metrics', '/icon.svg']);

exports.startWatch = () => {
  takeConsole();
  const metrics = makeMetrics();
  const routeOf = readRoutes(process.cwd());
  globalThis.pluckyWatch = {
    metrics: metrics.text,
    query: (sql, ms) => {
      metrics.query(ms / 1000, ms >= slowMs);
      // The text of a query has placeholders where values go.
      if (ms >= slowMs) note('slow query', { ms: Math.round(ms), sql: sql.replace(/\s+/g, ' ').slice(0, 500) });
    },
    signIn: (outcome, fields) => {
      metrics.signIn(outcome);
      note('sign-in', { outcome, ...fields });
    },
  };
  /** Answers a request, and says so once that is over. */
  return (request, response, answer) => {
    const began = performance.now();
    const id = idOf(request);
    const route = routeOf(request.url ?? '');
    const { method } = request;
    response.setHeader('x-request-id', id);
    metrics.begin();
    response.on('close', () => {
      const ms = performance.now() - began;
      // Who went before there was an answer got none; a stream ends when its reader goes.
      const status = response.headersSent ? response.statusCode : 499;
      metrics.end(route, method, status, ms / 1000);
      if (quiet.has(route) && status < 500) return;
      during(id, () => note('request', { method, route, status, ms: Math.round(ms) }));
    });
    during(id, answer);
  };
};
