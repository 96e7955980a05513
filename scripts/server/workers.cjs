/*
 * Several server processes behind one port, by the platform's own cluster module. They share nothing but the database. One that
 * dies is replaced, after a pause that grows while that goes on.
 *
 * node workers.cjs COUNT HOST PORT
 */
const cluster = require('node:cluster');
const { portTaken, tellListening, endWithParent } = require('./family.cjs');
const { answerWorkers } = require('./metrics.cjs');

const [count, ...args] = process.argv.slice(2);
const longestPauseMs = 30_000;
/** Who lived so long died of something new. */
const healthyMs = 60_000;

cluster.setupPrimary({ exec: require.resolve('./server.cjs'), args });
let isEnding = false;
let pauseMs = 500;
/** Processes that never listened so far. */
let awaited = Number(count);

function begin() {
  const began = Date.now();
  const worker = cluster.fork();
  worker.once('listening', () => {
    awaited -= 1;
    if (awaited === 0) tellListening();
  });
  worker.on('exit', (code) => {
    if (isEnding) return;
    if (code === portTaken) process.exit(portTaken);
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
endWithParent(end);
answerWorkers();
for (let at = 0; at < Number(count); at += 1) begin();
