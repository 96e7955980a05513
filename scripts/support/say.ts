/** A failure that a person can mend: what happened, and the way out. */
export class Trouble extends Error {
  constructor(
    readonly happened: string,
    readonly wayOut: string,
  ) {
    super(`${happened} ${wayOut}`);
  }
}

export const say = (text: string): void => console.log(text);
