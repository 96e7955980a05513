/* How much may be sent at once, by anybody. What a route takes less of, it says itself (src/app/limits.ts). */

const mostBytes = 16_000_000;
exports.mostBytes = mostBytes;

/** Where instruments speak as long as they like: a line at a time is read there, and no more than so many. */
const streaming = '/api/readings';

/** Why a body is not read: longer than any route takes, or of a length that nobody said. */
exports.bodyFault = ({ headers, url }) => {
  if (headers['transfer-encoding'] !== undefined) return url === streaming ? null : 'unmeasured';
  return Number(headers['content-length'] ?? 0) > mostBytes ? 'too-large' : null;
};

const answers = {
  'too-large': [413, { reason: 'too-large', values: { most: '16 MB' } }],
  unmeasured: [411, { reason: 'bad-input', values: { field: 'body', says: 'its length must be said before it' } }],
};

/** What is refused is still read so far, since who is writing reads no answer; beyond that the line is cut. */
const mostDrained = 64_000_000;

exports.refuseBody = (fault, request, response) => {
  const [status, refusal] = answers[fault];
  let read = 0;
  request.on('data', (chunk) => {
    read += chunk.length;
    if (read > mostDrained) request.destroy();
  });
  request.on('end', () => {
    response.writeHead(status, { 'content-type': 'application/json', 'cache-control': 'no-store' });
    response.end(JSON.stringify({ refusal }));
  });
};
