'use client';
import dynamic from 'next/dynamic';
import { keepThisPage } from '@/ui/offline/keptPages';

/** Panels that only some steps need: they come when such a step is shown, not with the first load of the bench. */
export const HeatPanel = dynamic(() => import('./heat/HeatPanel').then((module) => module.HeatPanel), {
  ssr: false,
});

export const TorquePanel = dynamic(() => import('./step/TorquePanel').then((module) => module.TorquePanel), {
  ssr: false,
});

export const HazardPanel = dynamic(() => import('./HazardPanel').then((module) => module.HazardPanel), {
  ssr: false,
});

export const BenchDialogs = dynamic(() => import('./dialogs/BenchDialogs').then((module) => module.BenchDialogs), {
  ssr: false,
});

/** Fetches them all once the bench stands, and keeps the page: whoever is cut off from the server later has them still. */
export const readyForOutage = (): void =>
  void Promise.all([
    import('./heat/HeatPanel'),
    import('./step/TorquePanel'),
    import('./HazardPanel'),
    import('./dialogs/BenchDialogs'),
  ])
    .then(keepThisPage)
    .catch(() => undefined);
