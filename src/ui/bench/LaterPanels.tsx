'use client';
import dynamic from 'next/dynamic';
import { keepThisPage } from '@/ui/offline/keptPages';

/** Panels that only some steps need: they come when such a step is shown, not with the first load of the bench. */
export const HeatPanel = dynamic(() => import('./HeatPanel').then((module) => module.HeatPanel), { ssr: false });

export const TorquePanel = dynamic(() => import('./TorquePanel').then((module) => module.TorquePanel), { ssr: false });

export const HazardPanel = dynamic(() => import('./HazardPanel').then((module) => module.HazardPanel), { ssr: false });

export const BenchDialogs = dynamic(() => import('./BenchDialogs').then((module) => module.BenchDialogs), {
  ssr: false,
});

/** Fetches them all once the bench stands, and keeps the page: whoever is cut off from the server later has them still. */
export const readyForOutage = (): void =>
  void Promise.all([import('./HeatPanel'), import('./TorquePanel'), import('./HazardPanel'), import('./BenchDialogs')])
    .then(keepThisPage)
    .catch(() => undefined);
