import 'reflect-metadata';
import { ValidateBy } from 'class-validator';

/** Years that a workshop's clock may show: others are a typing slip or a dead battery. */
const firstYear = 2000;
const lastYear = 2099;

const isInYears = (text: string): boolean => {
  const year = Number(text.slice(0, 4));
  return year >= firstYear && year <= lastYear;
};

/** A day of the calendar, `2026-11-28` and in no other way that ISO 8601 would allow. */
export function isDay(value: unknown): boolean {
  if (typeof value !== 'string' || !/^\d{4}-\d\d-\d\d$/.test(value) || !isInYears(value)) return false;
  // The 31st of a month of thirty days would be the first of the next.
  const at = new Date(`${value}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().slice(0, 10) === value;
}

/** A moment, `2026-11-28T09:05:00.000Z` or with an offset. */
export const isInstant = (value: unknown): boolean =>
  typeof value === 'string' &&
  /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,6})?(Z|[+-]\d\d:\d\d)$/.test(value) &&
  isDay(value.slice(0, 10)) &&
  !Number.isNaN(Date.parse(value));

export const IsDay = (): PropertyDecorator =>
  ValidateBy({
    name: 'isDay',
    validator: { validate: isDay, defaultMessage: () => 'it must be a day like 2026-11-25, from 2000 to 2099' },
  });

export const IsInstant = (): PropertyDecorator =>
  ValidateBy({
    name: 'isInstant',
    validator: { validate: isInstant, defaultMessage: () => 'it must be a moment like 2026-11-25T09:05:00Z' },
  });
