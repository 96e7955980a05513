import { demoDraftId, demoOpeningId } from '../demo/unfinished';

/** Every screen that needs no unit of its own, for what is done to all of them. */
export const screens = [
  '/',
  '/dock',
  '/triage',
  '/triage/score',
  '/apart',
  '/labels',
  '/teardown',
  '/grade',
  '/shelf',
  '/match',
  '/rebuild',
  '/prove',
  '/send',
  '/yield',
  '/rules',
  '/people',
  '/models',
  '/models/marrowby-slate-quay',
  '/models/oddkin-lantern-5/compare/oddkin-wick',
  '/models/marrowby-slate-quay/plan',
  '/models/marrowby-slate-quay/rehearse',
  `/models/drafts/${demoDraftId}`,
  `/models/opening/${demoOpeningId}`,
] as const;
