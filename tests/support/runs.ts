/**
 * How often a property is tried: as often as said in CI, and as `PLUCKY_RUNS` says when somebody looks longer by hand; then
 * `PLUCKY_SEED` says from where.
 */
export const runsOf = (usual: number, seed: number): { readonly numRuns: number; readonly seed: number } => ({
  numRuns: Number(process.env.PLUCKY_RUNS ?? usual),
  seed: Number(process.env.PLUCKY_SEED ?? seed),
});
