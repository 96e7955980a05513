/** Every screen that needs no unit of its own, for what is done to all of them. */
export const screens = [
  '/',
  '/dock',
  '/triage',
  '/teardown',
  '/grade',
  '/shelf',
  '/match',
  '/rebuild',
  '/prove',
  '/send',
  '/yield',
  '/models',
  '/models/marrowby-slate-quay',
] as const;
