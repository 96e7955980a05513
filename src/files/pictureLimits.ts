/** What a bench sends is a tenth of it; a camera's own file is not much more. */
export const mostPictureBytes = 3_000_000;
/** A file of a few kB may say that it is of a size that would fill the memory. */
export const mostPixels = 50_000_000;
