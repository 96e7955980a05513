/** Money as people type it, "860", "1 860,50" or "1,860.50", in cents; undefined when it is no amount. */
export function readMoney(text: string): number | undefined {
  const plain = text.replace(/[\s\u202f\u00a0'’]/g, '');
  const match = /^(\d{1,3}(?:[.,]\d{3})*|\d+)(?:[.,](\d{1,2}))?$/.exec(plain);
  if (!match) return undefined;
  const whole = Number((match[1] as string).replace(/[.,]/g, ''));
  return whole * 100 + Number((match[2] ?? '0').padEnd(2, '0'));
}
