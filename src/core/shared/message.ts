import type { MessageValues } from './messageValues';

export type MessageCode = keyof MessageValues<never>;
/** The rooms of the catalogue that the core speaks of. */
export type MessageRoom = MessageCode extends `${infer R}.${string}` ? R : never;

/** What goes into a message: a name or a figure of its own, or another message. Nothing is said of what is not there. */
export type Piece = string | number | null | undefined | false | Message;

/** Something to be said: which message of the catalogue, and its names and figures. The words are not the core's. */
export interface Message<R extends MessageRoom = MessageRoom> {
  readonly code: Extract<MessageCode, `${R}.${string}`>;
  readonly values: Readonly<Record<string, Piece | readonly Piece[]>>;
}

/** A text that a person wrote, as in a model, or a message of ours in its place. */
export type Wording<R extends MessageRoom = MessageRoom> = string | Message<R>;

type RoomOf<C extends MessageCode> = C extends `${infer R}.${string}` ? R & MessageRoom : never;
type Rest<C extends MessageCode> = keyof MessageValues<Piece>[C] extends never
  ? []
  : [values: Readonly<MessageValues<Piece>[C]>];

/** Names a message and what goes into it. */
export const message = <C extends MessageCode>(code: C, ...[values]: Rest<C>): Message<RoomOf<C>> =>
  ({ code, values: values ?? {} }) as unknown as Message<RoomOf<C>>;
