/* The functions without the package's makers of functions, which bring ten kilobytes of text formatting to every screen. */
declare module '@stdlib/stats-base-dists-triangular-quantile/lib/main.js' {
  import type quantile from '@stdlib/stats-base-dists-triangular-quantile';
  const value: typeof quantile;
  export default value;
}
declare module '@stdlib/stats-base-dists-triangular-variance/lib/main.js' {
  import type variance from '@stdlib/stats-base-dists-triangular-variance';
  const square: typeof variance;
  export default square;
}

declare module '@stdlib/stats-base-dists-poisson-cdf/lib/main.js' {
  import type cdf from '@stdlib/stats-base-dists-poisson-cdf';
  const chance: typeof cdf;
  export default chance;
}
declare module '@stdlib/stats-base-dists-t-cdf/lib/main.js' {
  import type cdf from '@stdlib/stats-base-dists-t-cdf';
  const chance: typeof cdf;
  export default chance;
}
declare module '@stdlib/stats-base-dists-t-quantile/lib/main.js' {
  import type quantile from '@stdlib/stats-base-dists-t-quantile';
  const value: typeof quantile;
  export default value;
}
declare module '@stdlib/stats-base-dists-normal-cdf/lib/main.js' {
  import type cdf from '@stdlib/stats-base-dists-normal-cdf';
  const chance: typeof cdf;
  export default chance;
}
declare module '@stdlib/stats-base-dists-normal-quantile/lib/main.js' {
  import type quantile from '@stdlib/stats-base-dists-normal-quantile';
  const value: typeof quantile;
  export default value;
}
declare module '@stdlib/stats-base-dists-negative-binomial-quantile/lib/main.js' {
  import type quantile from '@stdlib/stats-base-dists-negative-binomial-quantile';
  const value: typeof quantile;
  export default value;
}
