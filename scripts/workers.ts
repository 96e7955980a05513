import { buildWorkers } from './support/buildWorkers';

/** Compiles the server's threads for `npm run dev`; a build does so by itself. */
void buildWorkers();
