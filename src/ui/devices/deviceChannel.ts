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

export interface TorqueMessage {
  readonly device: 'torque-driver';
  readonly newtonCm: number;
  readonly at: string;
}

export type DeviceMessage = ProbeMessage | TorqueMessage;

/** A surface of a bench is between these; anything else is a probe that hangs in the air, or is broken. */
const coldest = -20;
const hottest = 250;

/** Reads a message; null for what is none. A figure that cannot be stays in, so that it can be said. */
export function readMessage(data: unknown): DeviceMessage | null {
  if (typeof data !== 'object' || data === null) return null;
  const { device, celsius, newtonCm, at } = data as Record<string, unknown>;
  if (typeof at !== 'string' || Number.isNaN(Date.parse(at))) return null;
  if (device === 'surface-probe' && typeof celsius === 'number') return { device, celsius, at };
  if (device === 'torque-driver' && typeof newtonCm === 'number') return { device, newtonCm, at };
  return null;
}

/** Whether a surface can have this temperature. */
export const isPlausible = (celsius: number): boolean =>
  Number.isFinite(celsius) && celsius >= coldest && celsius <= hottest;
