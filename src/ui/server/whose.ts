/** Whose page this is: who was signed in, and where, when the server drew it. */
export interface Whose {
  readonly id: string;
  readonly name: string;
  readonly bench: string;
}

let page: Whose | null = null;

/** Said once when a page comes up, before anything is sent from it. */
export function setWhose(person: Whose): void {
  page = person;
}

export const whose = (): Whose | null => page;
