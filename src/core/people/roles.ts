export const roles = ['viewer', 'technician', 'lead'] as const;
export type Role = (typeof roles)[number];

/** Who is signed in, and where. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly bench: string;
}

/** A lead may do all that a technician may, a technician all that a viewer may. */
export const isAtLeastRole = (role: Role, needed: Role): boolean => roles.indexOf(role) >= roles.indexOf(needed);

/** Own facts may be taken back by oneself; those of others by a lead. */
export const mayTakeBack = (person: Pick<Person, 'id' | 'role'>, madeBy: string): boolean =>
  person.id === madeBy || person.role === 'lead';
