import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { compileCoreTypes, compileRoom, type Room } from './compileWords';
import { projectRoot } from './home';

const source = join(projectRoot, 'src', 'words', 'en');

/** Rooms of the catalogue by name; those below `core/` say what the core found out. */
export function readRooms(): ReadonlyMap<string, Room> {
  const names = readdirSync(source, { recursive: true })
    .map(String)
    .filter((file) => file.endsWith('.json'))
    .map((file) => file.replace('.json', ''))
    .sort();
  return new Map(names.map((name) => [name, JSON.parse(readFileSync(join(source, `${name}.json`), 'utf8')) as Room]));
}

/** Every file that is made from the catalogue, with what it should hold. */
export function compiledWords(): ReadonlyMap<string, string> {
  const rooms = readRooms();
  const catalogue = [...rooms].map(
    ([name, room]) => [`src/words/catalogue/${name}.ts`, compileRoom(name, room)] as const,
  );
  return new Map([...catalogue, ['src/core/shared/messageValues.ts', compileCoreTypes(rooms)]]);
}

export function writeWords(): void {
  // A room that is gone leaves nothing behind.
  rmSync(join(projectRoot, 'src', 'words', 'catalogue'), { recursive: true, force: true });
  for (const [file, text] of compiledWords()) {
    const path = join(projectRoot, file);
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, text);
  }
}
