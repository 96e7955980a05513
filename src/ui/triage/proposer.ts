import { late } from '@/ui/base/late';

/** What weighs the choices of a unit: the planner comes with it. */
export const proposer = late(async () => (await import('@/core/triage/proposeDisposition')).proposeDisposition);
