/* What a server process counts, and the text of it in the open exposition format; of several processes it is the sum. */
const cluster = require('node:cluster');
const { AggregatorRegistry, Counter, Gauge, Histogram, collectDefaultMetrics, register } = require('prom-client');

const quick = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10];

exports.makeMetrics = () => {
  // Made here, too, it answers what the process before the others asks.
  if (cluster.isWorker) new AggregatorRegistry();
  collectDefaultMetrics({ prefix: 'plucky_' });
  const requests = new Histogram({
    name: 'plucky_request_seconds',
    help: 'From a request to the end of its answer, by route, method and status.',
    labelNames: ['route', 'method', 'status'],
    buckets: quick,
  });
  const underWay = new Gauge({ name: 'plucky_requests_under_way', help: 'Answers that are not finished.' });
  const queries = new Histogram({
    name: 'plucky_query_seconds',
    help: 'From a query to its answer.',
    buckets: quick,
  });
  const slow = new Counter({ name: 'plucky_slow_queries_total', help: 'Queries that took half a second or more.' });
  const faults = new Counter({ name: 'plucky_faults_total', help: 'Requests that met a fault of ours (5xx).' });
  const signIns = new Counter({
    name: 'plucky_sign_ins_total',
    help: 'PINs that were typed, by how that ended.',
    labelNames: ['outcome'],
  });
  return {
    begin: () => underWay.inc(),
    end: (route, method, status, seconds) => {
      underWay.dec();
      requests.observe({ route, method, status }, seconds);
      if (status >= 500) faults.inc();
    },
    query: (seconds, isSlow) => {
      queries.observe(seconds);
      if (isSlow) slow.inc();
    },
    signIn: (outcome) => signIns.inc({ outcome }),
    text: () => (cluster.isWorker ? askPrimary() : register.metrics()),
  };
};

/** Longer than this nobody waits for a process that has no time. */
const patienceMs = 5_000;
let asked = 0;
const waiting = new Map();

function askPrimary() {
  asked += 1;
  const number = asked;
  return new Promise((done, failed) => {
    const timer = setTimeout(() => {
      waiting.delete(number);
      failed(new Error('metrics: the other processes do not answer'));
    }, patienceMs);
    waiting.set(number, (text) => {
      clearTimeout(timer);
      waiting.delete(number);
      done(text);
    });
    process.send({ pluckyMetrics: number });
  });
}

if (cluster.isWorker)
  process.on('message', (message) => {
    if (message?.pluckyMetrics !== undefined) waiting.get(message.pluckyMetrics)?.(message.text);
  });

/** In the process before the others: adds up what they counted whenever one is asked. */
exports.answerWorkers = () => {
  const all = new AggregatorRegistry();
  cluster.on('message', (worker, message) => {
    if (message?.pluckyMetrics === undefined) return;
    const answer = (text) => worker.isConnected() && worker.send({ pluckyMetrics: message.pluckyMetrics, text });
    all.clusterMetrics().then(answer, () => answer(''));
  });
};
