/*
 * Several server processes behind one port, by the platform's own cluster module. They share nothing but the database. One that
 * dies is replaced, after a pause that grows while that goes on.
 *
 * node workers.cjs COUNT arguments of `next` …
 */
const cluster = require('node:cluster');

const [count, ...args] = process.argv.slice(2);
const longestPauseMs = 30_000;
/** Who lived so long died of something new. */
const healthyMs = 60_000;

cluster.setupPrimary({ exec: require.resolve('next/dist/bin/next'), args });
let isEnding = false;
let pauseMs = 500;

function begin() {
  const began = Date.now();
  cluster.fork().on('exit', () => {
    if (isEnding) return;
    pauseMs = Date.now() - began > healthyMs ? 500 : Math.min(longestPauseMs, pauseMs * 2);
    setTimeout(() => isEnding || begin(), pauseMs);
  });
}

function end() {
  isEnding = true;
  const workers = Object.values(cluster.workers);
  for (const worker of workers) worker.process.kill('SIGTERM');
  let left = workers.length;
  if (left === 0) process.exit(0);
  for (const worker of workers) worker.on('exit', () => --left === 0 && process.exit(0));
}

process.on('SIGTERM', end);
process.on('SIGINT', end);
for (let at = 0; at < Number(count); at += 1) begin();
