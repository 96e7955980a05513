import { fieldCentre } from './fields';

test('the fields lie as on a keypad: 7 8 9 on top', () => {
  const face = { widthMm: 60, heightMm: 90 };
  expect([7, 5, 3].map((field) => fieldCentre(face, field))).toEqual([
    { xMm: 10, yMm: 15 },
    { xMm: 30, yMm: 45 },
    { xMm: 50, yMm: 75 },
  ]);
});
