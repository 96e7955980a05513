/** Names of fields that say what was paid or asked, or single out a device. */
const secret = /cents|price|serial/i;

/**
 * What a fact says, without money and serials: for people who only look on, to whom a file is given that leaves the shop.
 * Counts stay as they are: nothing that is counted by kind goes by either.
 *
 * @param said  JSON
 */
export function withoutSecrets(said: unknown): unknown {
  if (Array.isArray(said)) return said.map(withoutSecrets);
  if (typeof said !== 'object' || said === null) return said;
  return Object.fromEntries(
    Object.entries(said)
      .filter(([name]) => !secret.test(name))
      .map(([name, value]) => [name, withoutSecrets(value)]),
  );
}
