/** What a layout is asked in every language: nothing is wider than its window, and no words of the drawing meet. */
import type { Page } from '@playwright/test';

/** From a large screen to a telephone; 640 × 400 is what 1280 × 800 has at 200 %. */
export const SIZES = [
  [1920, 1080],
  [1280, 800],
  [1024, 768],
  [800, 1280],
  [640, 400],
  [320, 640],
] as const;

/** By how many pixels the page is wider than the window, once it is laid out anew with whatever measures itself. */
export async function scrolledSideways(page: Page): Promise<number> {
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))));
  return page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
}

/** Pairs of words that overlap, and words beyond the drawing's edge. */
export const labelFaults = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('svg[data-drawing]')].flatMap((svg) => {
      const edge = svg.getBoundingClientRect();
      const words = [...svg.querySelectorAll('text')].map((text) => ({
        said: text.textContent ?? '',
        box: text.getBoundingClientRect(),
      }));
      // Half a pixel is how browsers round, and lines of a column touch.
      const SLACK = 0.5;
      const beyond = words.filter(
        ({ box }) =>
          box.left < edge.left - SLACK ||
          box.right > edge.right + SLACK ||
          box.top < edge.top - SLACK ||
          box.bottom > edge.bottom + SLACK,
      );
      /** Ascenders and descenders that no letter reaches are not words. */
      const inked = ({ box }: (typeof words)[number]) => ({
        left: box.left,
        right: box.right,
        top: box.top + box.height * 0.18,
        bottom: box.bottom - box.height * 0.18,
      });
      const over = words.flatMap((one, n) =>
        words.slice(n + 1).flatMap((other) => {
          const [a, b] = [inked(one), inked(other)];
          const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left);
          const high = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
          return wide > SLACK && high > SLACK ? [`${one.said} | ${other.said}`] : [];
        }),
      );
      return [...over, ...beyond.map(({ said }) => `beyond: ${said}`)];
    }),
  );
