import { type Browser, chromium, type Route } from 'playwright-core';
import { publicOrigin } from './sign-in';

/** Debian's Chromium. */
const executablePath = '/usr/bin/chromium';

const footer = `
<div style="width: 100%; padding: 0 15mm; font: 8pt sans-serif; color: #3c3c3c; display: flex; justify-content: space-between">
  <span class="title"></span><span><span class="pageNumber"></span> of <span class="totalPages"></span></span>
</div>`;

export interface WantedReport {
  readonly job: string;
  readonly firm: string;
  /** The asker's own cookies: the page is printed as they see it. */
  readonly cookies: string;
}

/** One browser at a time: a second report waits for the first. */
let last: Promise<unknown> = Promise.resolve();

/**
 * A job's report as a PDF: tagged, with bookmarks, printed by Chromium from the page that is shown on screen.
 * Throws when the page does not become ready.
 */
export function printReport(wanted: WantedReport): Promise<Uint8Array<ArrayBuffer>> {
  const printed = last.then(
    () => print(wanted),
    () => print(wanted),
  );
  last = printed;
  return printed;
}

/** Where this server answers itself, past any reverse proxy. */
const ownOrigin = (): string => process.env.FAIRPLUG_OWN_ORIGIN ?? publicOrigin();

/** Answers the page's questions to the server as the asker's own, whatever kind of cookie that takes. */
const answerFor =
  (cookies: string) =>
  async (route: Route): Promise<void> => {
    const request = route.request();
    const response = await fetch(request.url(), { headers: { ...request.headers(), cookie: cookies } });
    await route.fulfill({
      status: response.status,
      contentType: response.headers.get('content-type') ?? 'application/json',
      body: Buffer.from(await response.arrayBuffer()),
    });
  };

async function print({ job, firm, cookies }: WantedReport): Promise<Uint8Array<ArrayBuffer>> {
  const origin = ownOrigin();
  let browser: Browser | null = null;
  try {
    browser = await chromium.launch({
      executablePath,
      // Chromium's sandbox does not start as root.
      args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
    });
    const context = await browser.newContext({ colorScheme: 'light', locale: 'en-US' });
    await context.route(`${origin}/api/**`, answerFor(cookies));
    const page = await context.newPage();
    await page.goto(`${origin}/report?job=${encodeURIComponent(job)}&firm=${encodeURIComponent(firm)}`);
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
