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
  const instance = plainToInstance(type, input, { exposeDefaultValues: false });
  const [error] = validateSync(instance, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true });
  if (error) return refuse('bad-input', describe(error));
  return accept(JSON.parse(JSON.stringify(instance)) as T);
}

function describe(error: ValidationError, path = ''): { field: string; says: string } {
  const field = path === '' ? error.property : `${path}.${error.property}`;
  const [child] = error.children ?? [];
  // What is wrong with a list itself comes before what is wrong inside it.
  if (child && !error.constraints) return describe(child, field);
  const says = Object.values(error.constraints ?? {}).at(-1) ?? 'it is not right';
  return { field, says };
}
