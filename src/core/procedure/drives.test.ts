import { shippedModels } from '../../../tests/support/models';
import { drivePattern, fitsThread, readDrive } from './drives';
import { isScrew } from './joints';

describe('readDrive', () => {
  test.each([
    ['PH00', 'PH', '00'],
    ['PH0', 'PH', '0'],
    ['PLUS', 'PLUS', ''],
    ['PZ1', 'PZ', '1'],
    ['SL2', 'SL', '2'],
    ['H1.5', 'H', '1.5'],
    ['T5', 'T', '5'],
    ['TH6', 'TH', '6'],
    ['Y00', 'Y', '00'],
    ['SQ1', 'SQ', '1'],
    ['XZ9', null, '9'],
  ])('%s', (drive, family, size) => {
    expect(drivePattern.test(drive)).toBe(true);
    expect(readDrive(drive)).toEqual({ family, size });
  });

  test('PH0 and PH00 are two bits, and a sentence is none', () => {
    expect(readDrive('PH0')).not.toEqual(readDrive('PH00'));
    expect(drivePattern.test('a small one')).toBe(false);
  });
});

test('every screw of the shipped models has a thread that its drive is made for', () => {
  for (const { id, joints } of shippedModels)
    for (const screw of joints.filter(isScrew))
      expect([id, screw.id, fitsThread(screw.drive, screw.diameterMm)]).toEqual([id, screw.id, true]);
  expect(fitsThread('PH00', 6)).toBe(false);
  expect(fitsThread('XZ9', 6)).toBe(true);
  expect(fitsThread('PH00', undefined)).toBe(true);
});
