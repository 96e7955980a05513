import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** The documents of the models that ship with the application, as they lie in `data/models`. */
export function shippedModelFiles(): readonly string[] {
  const folder = join(process.cwd(), 'data', 'models');
  return readdirSync(folder)
    .filter((file) => file.endsWith('.json'))
    .sort()
    .map((file) => readFileSync(join(folder, file), 'utf8'));
}
