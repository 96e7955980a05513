import type { SeamSegment } from './operations';

/** The stretches of a seam in the order in which they are opened: corners last, and none where no tool goes. */
export const seamInOrder = (segments: readonly SeamSegment[]): readonly SeamSegment[] => [
  ...segments.filter(({ isCorner, isForbidden }) => !isCorner && !isForbidden),
  ...segments.filter(({ isCorner, isForbidden }) => isCorner && !isForbidden),
];
