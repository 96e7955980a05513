import type { Page } from 'puppeteer-core';

/** Sizes at which everything is within reach: a bench tablet, 1280×800 at 200 %, and a phone. */
export const smallSizes = [
  { name: '1024×768', width: 1024, height: 768, deviceScaleFactor: 1 },
  { name: '200 %', width: 640, height: 400, deviceScaleFactor: 2 },
  { name: 'phone', width: 390, height: 844, deviceScaleFactor: 1 },
] as const;

/**
 * What cannot be pressed or read: scrolled to, it is still outside the window, something lies over it, or its words run over
 * its edge.
 */
export const outOfReachOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    const room = document.querySelector('dialog[open]') ?? document.body;
    for (const element of room.querySelectorAll<HTMLElement>('button, a[href], input, select, textarea')) {
      if (!element.checkVisibility({ visibilityProperty: true }) || element.closest('[aria-hidden=true]')) continue;
      // It comes into the window when Tab comes to it (tried in findAndMend.test.ts).
      if (element.matches('a[href="#content"]')) continue;
      const name = `${element.tagName} ${element.getAttribute('aria-label') ?? element.textContent ?? ''}`
        .replace(/\s+/g, ' ')
        .trim()
        .slice(0, 60);
      element.scrollIntoView({ block: 'center', inline: 'center' });
      const { left, right, top, bottom, width, height } = element.getBoundingClientRect();
      // Hidden for all but readers, as a file field behind its button is.
      if (width < 4 || height < 4) continue;
      if (left < -1 || right > innerWidth + 1 || top < -1 || bottom > innerHeight + 1) {
        found.push(`outside: ${name}`);
        continue;
      }
      const at = document.elementFromPoint((left + right) / 2, (top + bottom) / 2);
      if (at && !element.contains(at) && !at.contains(element) && !element.closest('label')?.contains(at))
        found.push(`under ${at.tagName} ${(at.textContent ?? '').trim().slice(0, 30)}: ${name}`);
      if (element.tagName === 'BUTTON' && element.scrollWidth > element.clientWidth + 1)
        found.push(`words over its edge: ${name}`);
    }
    if (document.documentElement.scrollWidth > innerWidth + 1) found.push('the page is wider than the window');
    return found;
  });
