/*
 * The log of a server process: a line of JSON for each thing, with the id of the request that it belongs to. No line holds a name,
 * a PIN, a serial or anything else that was sent: addresses go in as the route they meet, faults without what stands in quotes.
 */
const { AsyncLocalStorage } = require('node:async_hooks');
const { randomUUID } = require('node:crypto');
const cluster = require('node:cluster');
const { format } = require('node:util');

const requests = new AsyncLocalStorage();
const longestText = 2_000;

/** What people entered stands in quotes, in the messages of the database too. */
const masked = (text) =>
  text
    .replace(/'(?:[^'\\\n]|\\.)*'|"(?:[^"\\\n]|\\.)*"|`(?:[^`\\\n]|\\.)*`|“[^”\n]*”/g, '‹›')
    .replace(/\b\d{6,}\b/g, '‹›')
    .slice(0, longestText);
exports.masked = masked;

/** Adds a line. @param what  of which kind it is */
const note = (what, fields = {}) => {
  const line = { at: new Date().toISOString(), what, worker: cluster.worker?.id ?? 0, ...fields };
  const { id } = requests.getStore() ?? {};
  process.stdout.write(`${JSON.stringify(id === undefined ? line : { ...line, id })}\n`);
};
exports.note = note;

/** Where a fault happened. What it says of the values in hand is left out. */
const sayFault = (error) =>
  error instanceof Error
    ? { says: masked(`${error.name}: ${error.message}`), at: masked(framesOf(error).join(' < ')), code: error.code }
    : { says: masked(format(error)) };
const framesOf = ({ stack = '' }) =>
  stack
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 8)
    .map((line) => line.trim().slice(3));

/** What anybody says on the console becomes lines of the log, the framework included. */
exports.takeConsole = () => {
  for (const [method, what] of [
    ['error', 'fault'],
    ['warn', 'warning'],
    ['info', 'told'],
    ['log', 'told'],
  ])
    console[method] = (...said) => {
      const error = said.find((each) => each instanceof Error);
      const { at: where, ...fault } = error ? sayFault(error) : { says: masked(format(...said)) };
      note(what, where === undefined ? fault : { ...fault, where });
    };
};

/** The id that a request has in every line about it; one that a proxy of the shop's own gave it is kept. */
exports.idOf = ({ headers }) => {
  const given = process.env.PLUCKY_PROXY === '1' ? headers['x-request-id'] : undefined;
  return given !== undefined && /^[\w-]{8,64}$/.test(given) ? given : randomUUID();
};

/** Runs the answering of a request, so that every line said meanwhile carries its id. */
exports.during = (id, work) => requests.run({ id }, work);
