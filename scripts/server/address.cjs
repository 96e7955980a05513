/* Addresses that no page of ours has, and that the framework would stumble over. */

/** Whether every part of a path is text, and none leads out of where it stands. */
exports.readableAddress = (url = '') => {
  const [path] = url.split('?', 1);
  try {
    return path.split('/').every((part) => {
      const text = decodeURIComponent(part);
      return text !== '.' && text !== '..' && !/[\0/\\]/.test(text);
    });
  } catch {
    return false;
  }
};

const says = 'This address cannot be read. Nothing was changed. Check it, or begin at the start page.';

exports.refuseAddress = (request, response) => {
  const isApi = request.url.startsWith('/api/');
  response.writeHead(400, {
    'content-type': isApi ? 'application/json' : 'text/plain; charset=utf-8',
    'cache-control': 'no-store',
  });
  const refusal = { reason: 'bad-input', values: { field: 'address', says: 'it cannot be read' } };
  response.end(isApi ? JSON.stringify({ refusal }) : says);
  request.resume();
};
