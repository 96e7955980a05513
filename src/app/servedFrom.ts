import 'server-only';
import type { ServedFrom } from '@/services/machine/readMachine';

/** Where this process serves a shop from: who started it said so. */
export const servedFrom = (): ServedFrom => ({
  home: process.env.PLUCKY_HOME,
  isDemo: process.env.PLUCKY_SHOP === 'demo',
});
