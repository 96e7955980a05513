import { isPlausible, readMessage } from './deviceChannel';

const good = { device: 'surface-probe', celsius: 41.5, at: '2026-11-25T08:00:00.000Z' };

test('a message is read as it was posted', () => {
  expect(readMessage(good)).toEqual(good);
  expect(readMessage({ ...good, celsius: Number.NaN })).toMatchObject({ device: 'surface-probe' });
});

test('a driver says its torque', () => {
  const turned = { device: 'torque-driver', newtonCm: 5.1, at: good.at };
  expect(readMessage(turned)).toEqual(turned);
  expect(readMessage({ ...turned, newtonCm: '5' })).toBeNull();
});

test.each([
  null,
  'surface-probe',
  [],
  {},
  { ...good, device: 'oven' },
  { ...good, at: 'now' },
  { ...good, celsius: '41' },
])('%j is none', (data) => {
  expect(readMessage(data)).toBeNull();
});

test.each([
  [22, true],
  [-20, true],
  [250, true],
  [312, false],
  [Number.NaN, false],
  [Number.POSITIVE_INFINITY, false],
])('a surface of %d °C can be: %s', (celsius, can) => {
  expect(isPlausible(celsius)).toBe(can);
});
