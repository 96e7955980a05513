import { parse, type Token } from '@messageformat/parser';

/** Functions of `words/format.ts` that a placeholder may name, with what each takes. */
const formats: Readonly<Record<string, string>> = {
  number: 'number',
  tenths: 'number',
  whole: 'number',
  money: 'number',
  amount: 'number',
  share: 'number',
  minutes: 'number',
  stopwatch: 'number',
  list: 'readonly string[]',
  either: 'readonly string[]',
  clock: 'string',
  day: 'string',
  moment: 'string',
  capital: 'string',
  lower: 'string',
};

/** A catalogue room as it is written: keys and messages in the standard message format (ICU). */
export type Room = Readonly<Record<string, string>>;

interface Compiled {
  readonly code: string;
  readonly args: ReadonlyMap<string, string>;
  readonly imports: ReadonlySet<string>;
}

const escape = (text: string): string => text.replace(/[\\`]|\$\{/g, '\\$&');

/**
 * One message as a function body.
 *
 * @throws Error when the message is not in the format, or names a formatter that is not there
 */
export function compileMessage(message: string): Compiled {
  const args = new Map<string, string>();
  const imports = new Set<string>();
  const take = (name: string, type: string) => {
    const known = args.get(name);
    // A number may stand for a text as well; a text for nothing else.
    args.set(name, known === undefined || known === 'Text' ? type : type === 'Text' ? known : type);
  };
  const template = (tokens: readonly Token[], hash: string): string =>
    `l\`${tokens.map((token) => piece(token, hash)).join('')}\``;
  const piece = (token: Token, hash: string): string => {
    switch (token.type) {
      case 'content':
        return escape(token.value);
      case 'argument':
        take(token.arg, 'Text');
        return `\${d.${token.arg}}`;
      case 'octothorpe':
        imports.add('number');
        return `\${number(${hash})}`;
      case 'function': {
        const type = formats[token.key];
        if (!type) throw new Error(`no formatter “${token.key}” in “${message}”`);
        take(token.arg, type);
        imports.add(token.key);
        return `\${${token.key}(d.${token.arg})}`;
      }
      case 'plural': {
        take(token.arg, 'number');
        const offset = token.pluralOffset ?? 0;
        const own = offset === 0 ? `d.${token.arg}` : `d.${token.arg} - ${offset}`;
        const forms = token.cases.map(
          ({ key, tokens }) => `${JSON.stringify(key.replace('=', ''))}: ${template(tokens, own)}`,
        );
        return `\${plural(d.${token.arg}, ${offset}, { ${forms.join(', ')} })}`;
      }
      case 'select': {
        const keys = token.cases.map(({ key }) => key);
        take(token.arg, keys.includes('yes') ? `'yes' | 'no'` : 'string');
        const forms = token.cases.map(({ key, tokens }) => `${JSON.stringify(key)}: ${template(tokens, hash)}`);
        return `\${select(d.${token.arg}, { ${forms.join(', ')} })}`;
      }
      default:
        throw new Error(`“${token.type}” is not used here: “${message}”`);
    }
  };
  return { code: template(parse(message, { strict: false }), '0'), args, imports };
}

/** The type of what a message takes; empty when it takes nothing. */
export const typeOf = ({ args }: Compiled): string => [...args].map(([name, type]) => `${name}: ${type}`).join('; ');

/** A room of the catalogue as a module: one function a message, so that a screen ships only what it says. */
export function compileRoom(name: string, room: Room): string {
  const compiled = Object.entries(room).map(([key, message]) => [key, compileMessage(message)] as const);
  const used = new Set(compiled.flatMap(([, { imports }]) => [...imports]));
  const body = compiled.map(([key, message]) =>
    message.args.size === 0
      ? `export const ${key} = () => ${message.code};`
      : `export const ${key} = (d: { ${typeOf(message)} }) => ${message.code};`,
  );
  const all = body.join('\n');
  const runtime = ['l', 'plural', 'select'].filter((item) => all.includes(`${item}(`) || item === 'l');
  const text = all.includes(': Text') ? ', type Text' : '';
  return [
    `// Made from words/en/${name}.json by \`npm run words\`. Change it there.`,
    `import { ${runtime.join(', ')}${text} } from '@/words/runtime';`,
    ...(used.size > 0 ? [`import { ${[...used].sort().join(', ')} } from '@/words/format';`] : []),
    ...(isCore(name)
      ? [
          `import { sayer } from '@/words/sayer';`,
          ...besides(name).map((room) => `import { all as ${prefixOf(room)}Words } from './${prefixOf(room)}';`),
        ]
      : []),
    '',
    all,
    '',
    ...(isCore(name) ? sayer(name, Object.keys(room)) : []),
  ].join('\n');
}

/** Rooms whose messages stand inside those of another: a job names the step that is next. */
const withinRooms: Readonly<Record<string, readonly string[]>> = {
  'core/today': ['core/sheet'],
  'core/rehearsal': ['core/sheet'],
};
const besides = (name: string): readonly string[] => withinRooms[name] ?? [];

const isCore = (name: string): boolean => name.startsWith('core/');
const prefixOf = (name: string): string => name.replace('core/', '');

/** A room of the core is said by code: all of it ships with who says it. */
const sayer = (name: string, keys: readonly string[]): readonly string[] => [
  `export const all: Readonly<Record<string, (d: never) => string>> = { ${keys.join(', ')} };`,
  '',
  '/** What the core found out, as a sentence. */',
  `export const say = sayer<${[name, ...besides(name)].map((room) => `'${prefixOf(room)}'`).join(' | ')}>({`,
  `  ${[`${prefixOf(name)}: all`, ...besides(name).map((room) => `${prefixOf(room)}: ${prefixOf(room)}Words`)].join(', ')},`,
  '});',
  '',
];

/** What the messages of the core take, so that the core can name them by code without knowing their words. */
export function compileCoreTypes(rooms: ReadonlyMap<string, Room>): string {
  const lines = [...rooms].flatMap(([name, room]) =>
    isCore(name)
      ? Object.entries(room).map(([key, message]) => {
          const type = typeOf(compileMessage(message))
            .replace(/: Text/g, ': Piece')
            .replace(/readonly string\[\]/g, 'readonly Piece[]');
          return `  '${prefixOf(name)}.${key}': ${type === '' ? 'Readonly<Record<never, never>>' : `{ ${type} }`};`;
        })
      : [],
  );
  return [
    '// Made from words/en/core by `npm run words`. Change it there.',
    '/** Every message of the core by code, with the figures and names it takes. */',
    'export interface MessageValues<Piece> {',
    ...lines,
    '}',
    '',
  ].join('\n');
}
