import { readMoney } from './readMoney';

test.each([
  ['860', 86000],
  ['860.5', 86050],
  ['860,50', 86050],
  ['1 860,50', 186050],
  ['1,860.50', 186050],
  ['1.860', 186000],
  ['0', 0],
])('“%s” is %d cents', (text, cents) => {
  expect(readMoney(text)).toBe(cents);
});

test.each(['', 'abc', '-5', '1.2.3', '8,6050', '12€'])('“%s” is no amount', (text) => {
  expect(readMoney(text)).toBeUndefined();
});
