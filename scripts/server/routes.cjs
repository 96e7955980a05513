/* Which route of the build an address meets: what is counted and logged, in place of what stands in the address. */
const { readFileSync } = require('node:fs');
const { join } = require('node:path');

exports.readRoutes = (folder) => {
  const { staticRoutes, dynamicRoutes } = JSON.parse(
    readFileSync(join(folder, '.next', 'routes-manifest.json'), 'utf8'),
  );
  const fixed = new Set(staticRoutes.map(({ page }) => page));
  const open = dynamicRoutes.map(({ page, regex }) => ({ page, regex: new RegExp(regex) }));
  return (url) => {
    const [path] = url.split('?', 1);
    if (path.startsWith('/_next/')) return '/_next';
    if (fixed.has(path)) return path;
    return open.find(({ regex }) => regex.test(path))?.page ?? 'none';
  };
};
