import { type Browser, chromium } from 'playwright-core';

/** Debian's Chromium. */
const executablePath = '/usr/bin/chromium';

const footer = `
<div style="width: 100%; padding: 0 15mm; font: 8pt sans-serif; color: #3c3c3c; display: flex; justify-content: space-between">
  <span class="title"></span><span><span class="pageNumber"></span> of <span class="totalPages"></span></span>
</div>`;

/** One browser at a time: a second report waits for the first. */
let last: Promise<unknown> = Promise.resolve();

/**
 * A job's report as a PDF: tagged, with bookmarks, printed by Chromium from the page that is shown on screen.
 * Throws when the page does not become ready.
 */
export function printReport(job: string): Promise<Uint8Array<ArrayBuffer>> {
  const printed = last.then(
    () => print(job),
    () => print(job),
  );
  last = printed;
  return printed;
}

async function print(job: string): Promise<Uint8Array<ArrayBuffer>> {
  const origin = process.env.FAIRPLUG_ORIGIN;
  if (!origin) throw new Error('FAIRPLUG_ORIGIN is not set');
  let browser: Browser | null = null;
  try {
    browser = await chromium.launch({
      executablePath,
      // Chromium's sandbox does not start as root.
      args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
    });
    const page = await browser.newPage({ colorScheme: 'light', locale: 'en-US' });
    await page.goto(`${origin}/report?job=${encodeURIComponent(job)}`);
    await page.waitForSelector('[data-report="ready"]', { timeout: 15_000 });
    await page.evaluate(() => document.fonts.ready);
    return new Uint8Array(
      await page.pdf({
        format: 'Letter',
        margin: { top: '16mm', right: '15mm', bottom: '20mm', left: '15mm' },
        tagged: true,
        outline: true,
        displayHeaderFooter: true,
        headerTemplate: '<span></span>',
        footerTemplate: footer,
      }),
    );
  } finally {
    await browser?.close();
  }
}
