import fc from 'fast-check';
import { withoutSecrets } from './withoutSecrets';

test('money and serials go, at whatever depth; all else stays', () => {
  expect(
    withoutSecrets({
      code: 'Lot 1',
      pricePaidCents: 100,
      lines: [{ lineNo: 1, serial: 'X', model: 'm' }, null],
      outcome: { worth: { valueCents: 3, grade: 'B' } },
    }),
  ).toEqual({ code: 'Lot 1', lines: [{ lineNo: 1, model: 'm' }, null], outcome: { worth: { grade: 'B' } } });
});

test('no such name is left in anything, and what has none comes out as it is', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.constantFrom('serial', 'valueCents', 'askingPrice', 'serialNo'), (json, name) => {
      const mixed = { json, deep: [{ [name]: 'secret-thing', kept: json }] };
      expect(JSON.stringify(withoutSecrets(mixed))).not.toContain('secret-thing');
      const hasNone = !/cents|price|serial/i.test(JSON.stringify(json));
      if (hasNone) expect(withoutSecrets(json)).toEqual(json);
    }),
  );
});
