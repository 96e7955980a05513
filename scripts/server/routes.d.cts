/** @returns the page of the build that an address meets, '/_next' for its files, 'none' for what there is not */
export function readRoutes(folder: string): (url: string) => string;
