import { saleGrades, type SaleGrade } from '@/core/shared/grades';

/** 1250 → “12.50”; 1200 → “12”. */
export const sayCents = (cents: number): string => (cents % 100 === 0 ? String(cents / 100) : (cents / 100).toFixed(2));

/** “12 9.50 6 2” → cents by grade; one figure stands for A, the others are a usual share of it. Null when unreadable. */
export function readCents(text: string): Readonly<Record<SaleGrade, number>> | null {
  const numbers = text
    .trim()
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => Math.round(Number(word.replace(',', '.')) * 100));
  if (
    numbers.some((number) => !Number.isFinite(number) || number < 0) ||
    (numbers.length !== 1 && numbers.length !== 4)
  )
    return null;
  const shares = [1, 0.8, 0.5, 0.2];
  return Object.fromEntries(
    saleGrades.map((grade, at) => [grade, numbers[at] ?? Math.round((numbers[0] as number) * (shares[at] as number))]),
  ) as Record<SaleGrade, number>;
}
