import type { Message, MessageRoom, Piece, Wording } from '@/core/shared/message';

type Functions = Readonly<Record<string, (values: never) => string>>;

/** Says the messages of some rooms of the core; a text that a person wrote is said as it stands. */
export function sayer<R extends MessageRoom>(rooms: Readonly<Record<R, Functions>>): (wording: Wording<R>) => string {
  const piece = (value: Piece | readonly Piece[]): unknown => {
    if (Array.isArray(value)) return value.map(piece);
    return typeof value === 'object' && value !== null ? say(value as Message<R>) : value;
  };
  const say = (wording: Wording<R>): string => {
    if (typeof wording === 'string') return wording;
    const { code, values } = wording;
    const [room, key] = code.split('.') as [R, string];
    const own = rooms[room]?.[key];
    if (!own) throw new RangeError(`sayer: nobody here says ${code}`);
    const pieces = Object.fromEntries(Object.entries(values).map(([name, value]) => [name, piece(value)]));
    return (own as (given: object) => string)(pieces);
  };
  return say;
}
