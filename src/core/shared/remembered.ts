/** Work that is not done twice for the very same thing; it is forgotten with the thing. */
export function remembered<Of extends object, Result>(work: (of: Of) => Result): (of: Of) => Result {
  const known = new WeakMap<Of, Result>();
  return (of) => {
    if (!known.has(of)) known.set(of, work(of));
    return known.get(of) as Result;
  };
}
