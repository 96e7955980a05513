import type { Page } from 'puppeteer-core';
import { lineFields, type OperationLine } from '@/core/drafting/operationLine';

/**
 * A model of thirty operations as a practised person types it: what is as in the line above is left out, what the editor
 * completes is typed as far as it must be.
 */
const entryLines: readonly Partial<OperationLine>[] = [
  { title: 'Switch it off and prove it', face: 'Glass up', minutes: '.5' },
  {
    title: 'Draw the card tray out',
    face: 'Edge up',
    tool: 'Tray pin',
    opens: 'tab',
    frees: 'card tray',
    after: '-',
    minutes: '.2',
  },
  { title: 'Unscrew the edge', tool: 'Five-lobe driver P2', opens: '2 P2 3.4', after: '1', minutes: '.4' },
  { title: 'Warm the back', face: 'Back up', tool: 'Hot pl', after: '1', minutes: '.5' },
  { title: 'Cut the seal', tool: 'Thin', opens: 'sheet', after: '4, 3, 2', minutes: '2.4' },
  { title: 'Lift the back out', tool: 'Hands', frees: 'back', minutes: '.6' },
  {
    title: 'Unscrew the upper plate',
    face: 'Back off',
    tool: 'Cross-recess driver PH000',
    opens: '4 PH000 1.6, 1 PH000 2.4',
    frees: 'upper plate',
    minutes: '.9',
  },
  { title: 'Lift the battery plug', tool: 'Plas', opens: 'plug battery', minutes: '.3' },
  { title: 'Lift the display plug', opens: 'plug display', minutes: '.3' },
  { title: 'Lift the touch plug', opens: 'plug touch', after: '8', minutes: '.3' },
  { title: 'Lift the camera out', opens: 'plug', frees: 'camera', after: '8', minutes: '.5' },
  { title: 'Lift the front camera out', opens: 'plug', frees: 'front camera', after: '8', minutes: '.5' },
  {
    title: 'Unscrew the lower plate',
    tool: 'Cross-recess driver PH000',
    opens: '3 PH000 1.6',
    frees: 'lower plate',
    after: '6',
    minutes: '.6',
  },
  { title: 'Take the speaker out', opens: '2 PH000 2.4', frees: 'speaker', minutes: '.6' },
  { title: 'Free the port ribbon', tool: 'Plas', opens: 'ribbon port', after: '8, 13', minutes: '.4' },
  {
    title: 'Take the port board out',
    tool: 'Cross-recess driver PH000',
    opens: '2 PH000 2.0',
    frees: 'port board',
    after: '14, 15',
    minutes: '.7',
  },
  { title: 'Lift the motor out', tool: 'Plas', opens: 'tape', frees: 'motor', after: '6', minutes: '.4' },
  { title: 'Pull the left strip', tool: 'Twee', opens: 'strip left', after: '8, 13', minutes: '.8' },
  { title: 'Pull the right strip', opens: 'strip right', minutes: '.8' },
  { title: 'Lift the battery out', tool: 'Hands', frees: 'battery', minutes: '.4' },
  { title: 'Free the aerial', tool: 'Plas', opens: 'coaxial', after: '8', minutes: '.3' },
  {
    title: 'Take the board out',
    tool: 'Cross-recess driver PH000',
    opens: '3 PH000 2.0',
    frees: 'board',
    after: '9, 10, 11, 12, 15, 21, 2',
    minutes: '1.4',
  },
  { title: 'Lift the ear speaker out', tool: 'Twee', opens: 'tab', frees: 'ear speaker', minutes: '.3' },
  { title: 'Lift the sensor out', opens: 'clip', frees: 'sensor', minutes: '.4' },
  { title: 'Slide the side keys out', opens: 'clip', frees: 'side keys', minutes: '.6' },
  { title: 'Lift the microphone out', opens: 'clip', frees: 'microphone', minutes: '.3' },
  { title: 'Warm the glass', face: 'Glass up', tool: 'Hot pl', after: '20', minutes: '.5' },
  { title: 'Cut the bead', tool: 'Thin', opens: 'glue', minutes: '3' },
  { title: 'Lift the display out', tool: 'Hands', frees: 'display', after: '28, 9, 10', minutes: '.5' },
  { title: 'Wipe the frame', frees: 'frame', after: '29, 22, 16, 17, 23, 24, 25, 26', minutes: '.6' },
];

export const entryHead = {
  maker: 'Fennick',
  name: 'Plover',
  kind: 'phone',
  proofOfOff: 'Both keys 10 s; the glass stays dark.',
} as const;

/** Types the model of thirty lines. */
export const typeEntry = (page: Page): Promise<void> => typeLines(page, entryLines);

/** Types lines into an editor whose first line is open, with the keys a hand would press. */
export async function typeLines(page: Page, lines: readonly Partial<OperationLine>[]): Promise<void> {
  for (const line of lines) {
    const last = lineFields.findLastIndex((field) => line[field] !== undefined);
    for (const [at, field] of lineFields.slice(0, last + 1).entries()) {
      if (at > 0) await page.keyboard.press('Tab');
      if (line[field] !== undefined) await page.keyboard.type(line[field]);
    }
    await page.keyboard.press('Enter');
    // The next line is open when its first field has the focus and is empty.
    await page.waitForFunction(() => (document.activeElement as HTMLInputElement | null)?.value === '', {
      timeout: 5000,
    });
  }
}

export const entryLineCount = entryLines.length;
