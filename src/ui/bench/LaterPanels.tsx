'use client';
import dynamic from 'next/dynamic';
import { keepThisPage } from '@/ui/offline/keptPages';

/*
 * Panels that come after the step and its keys: what every step has stands in the page that the server sends and is
 * brought to life later; what only some steps need comes when such a step is shown.
 */
export const StepDrawing = dynamic(() => import('./step/StepDrawing').then((module) => module.StepDrawing));

export const StepNotes = dynamic(() => import('./step/StepNotes').then((module) => module.StepNotes));

export const StepPhotos = dynamic(() => import('./step/StepPhotos').then((module) => module.StepPhotos));

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
    import('./step/StepDrawing'),
    import('./step/StepNotes'),
    import('./step/StepPhotos'),
    import('./heat/HeatPanel'),
    import('./step/TorquePanel'),
    import('./HazardPanel'),
    import('./dialogs/BenchDialogs'),
  ])
    .then(keepThisPage)
    .catch(() => undefined);
