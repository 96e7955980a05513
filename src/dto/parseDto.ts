import 'reflect-metadata';
import { plainToInstance } from 'class-transformer';
import { validateSync, type ValidationError } from 'class-validator';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';

/**
 * Reads a request into a plain object of the shape of a DTO class.
 *
 * @returns a plain object, since class instances must not travel to client components
 * @refuses 'bad-input' with the first field at fault and what it should be
 */
export function parseDto<T extends object>(type: new () => T, input: unknown): Outcome<T> {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) {
    return refuse('bad-input', { field: 'request', says: 'it must be one object' });
  }
  const strange = strangeIn(input);
  if (strange) return refuse('bad-input', strange);
  const instance = plainToInstance(type, input, { exposeDefaultValues: false });
  const [error] = validateSync(instance, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true });
  if (error) return refuse('bad-input', describe(error));
  return accept(JSON.parse(JSON.stringify(instance)) as T);
}

/** Names that every object answers to: what reads objects by their class would take them for that. */
const everybodys: ReadonlySet<string> = new Set(['constructor', '__proto__', 'prototype']);
/** Deeper than any document of ours; what goes in by itself would run out of room. */
const mostDeep = 60;

/** What no reader of classes should be given: a key that every object has, or things in things without end. */
function strangeIn(input: object): { field: string; says: string } | null {
  const waiting: { readonly value: object; readonly depth: number }[] = [{ value: input, depth: 1 }];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    if (next.depth > mostDeep) return { field: 'request', says: `it is nested more than ${mostDeep} levels deep` };
    for (const [key, value] of Object.entries(next.value)) {
      if (everybodys.has(key)) return { field: key, says: 'no field is called so' };
      if (typeof value === 'object' && value !== null) waiting.push({ value: value as object, depth: next.depth + 1 });
    }
  }
  return null;
}

function describe(error: ValidationError, path = ''): { field: string; says: string } {
  const field = path === '' ? error.property : `${path}.${error.property}`;
  const [child] = error.children ?? [];
  // What is wrong with a list itself comes before what is wrong inside it.
  if (child && !error.constraints) return describe(child, field);
  const says = Object.values(error.constraints ?? {}).at(-1) ?? 'it is not right';
  return { field, says };
}
