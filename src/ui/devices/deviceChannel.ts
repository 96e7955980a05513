/**
 * What the instruments of a bench say, over the browser's own channel (docs/formats/devices.md): a page that speaks to the
 * real thing posts the same messages as the simulated ones do.
 */
export const deviceChannel = 'plucky-devices';

export interface ProbeMessage {
  readonly device: 'surface-probe';
  readonly celsius: number;
  /** ISO in UTC. */
  readonly at: string;
}

export type DeviceMessage = ProbeMessage;

/** A surface of a bench is between these; anything else is a probe that hangs in the air, or is broken. */
const coldest = -20;
const hottest = 250;

/** Reads a message; null for what is none. A figure that cannot be stays in, so that it can be said. */
export function readMessage(data: unknown): DeviceMessage | null {
  if (typeof data !== 'object' || data === null) return null;
  const { device, celsius, at } = data as Record<string, unknown>;
  if (device !== 'surface-probe' || typeof celsius !== 'number' || typeof at !== 'string') return null;
  return Number.isNaN(Date.parse(at)) ? null : { device, celsius, at };
}

/** Whether a surface can have this temperature. */
export const isPlausible = (celsius: number): boolean =>
  Number.isFinite(celsius) && celsius >= coldest && celsius <= hottest;
