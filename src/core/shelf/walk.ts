import { rackOf, type Rack } from './racks';

/**
 * The way through bins: rack after rack as they stand, along the first row and back along the next, so that nobody walks a row
 * twice. A bin that stands nowhere comes last.
 *
 * @returns the same bins, each once, in that order
 */
export function walk(bins: readonly string[], racks: readonly Rack[]): readonly string[] {
  const order = new Map(racks.map(({ code }, at) => [code, at]));
  const boxesOf = new Map(racks.map(({ code, boxes }) => [code, boxes]));
  const placeOf = (bin: string): readonly [number, number, number] => {
    const rack = rackOf(bin);
    const boxes = boxesOf.get(rack);
    const at = Number(bin.slice(rack.length)) - 1;
    if (boxes === undefined || !Number.isInteger(at)) return [Infinity, 0, 0];
    const row = Math.floor(at / boxes);
    const column = at % boxes;
    return [order.get(rack) as number, row, row % 2 === 0 ? column : boxes - 1 - column];
  };
  const places = new Map([...new Set(bins)].map((bin) => [bin, placeOf(bin)]));
  return [...places.keys()].sort((one, other) => {
    const [a, b] = [places.get(one), places.get(other)] as [readonly number[], readonly number[]];
    const differs = a.findIndex((value, at) => value !== b[at]);
    return differs < 0 ? one.localeCompare(other) : (a[differs] as number) - (b[differs] as number);
  });
}
