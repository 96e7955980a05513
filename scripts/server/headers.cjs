/* What every answer says, whoever makes it. */

const always = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  // A camera reads tags and takes photos, a microphone hears a speaker under test; nothing else is asked of a browser.
  'permissions-policy':
    'camera=(self), microphone=(self), geolocation=(), payment=(), usb=(), serial=(), midi=(), display-capture=()',
};
/** A browser that came by HTTPS comes by it for a year. */
const strict = 'max-age=31536000';

exports.setHeaders = (request, response) => {
  for (const [name, value] of Object.entries(always)) response.setHeader(name, value);
  // Answers that say nothing else of themselves are nobody's to keep; pages and files of the build say it themselves.
  if (request.url?.startsWith('/api/')) response.setHeader('cache-control', 'no-store');
  if (request.headers['x-forwarded-proto'] === 'https') response.setHeader('strict-transport-security', strict);
};
