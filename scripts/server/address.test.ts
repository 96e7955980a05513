import { readableAddress } from './address.cjs';

test.each([
  ['/', true],
  ['/t/U-0706', true],
  ['/shelf?q=100%', true],
  ['/models/%F0%9F%A7%B7', true],
  ['/api/bins/A%20B', true],
  ['/models/%', false],
  ['/models/%zz', false],
  ['/models/%c3%28', false],
  ['/models/../people', false],
  ['/models/%2e%2e/people', false],
  ['/models/.', false],
  ['/models/a%2fb', false],
  ['/models/a%5cb', false],
  ['/models/%00', false],
])('%s can be read: %s', (url, can) => {
  expect(readableAddress(url)).toBe(can);
});
