import { type Browser, type BrowserContext, chromium, type Page, type Route } from 'playwright-core';
import { logsAnswer, type PrintStage } from '../contract/answers.ts';
import { PrintQueue } from './print-queue';
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
  /** Who asks. */
  readonly person: string;
  /** The asker's own cookies: the page is printed as they see it. */
  readonly cookies: string;
  /** Of the owner's page. */
  readonly language: string;
  /** IANA name; null: the server's own. */
  readonly timeZone: string | null;
  /** Ends the work. */
  readonly signal: AbortSignal;
  /** `before`: of one that waits, how many come first. */
  readonly onStage: (stage: PrintStage, before?: number) => void;
}

/** One report at a time, as long as that goes quickly. */
const queue = new PrintQueue({ patience: 8000, most: 3, mostEach: 3 });

/** A browser is kept for so long after a report, or after one was expected, for the next one. */
const keptMilliseconds = 60_000;

/** A place to print reports of one asker in: a context of its own, so that nothing of one is there for another. */
interface Printer {
  readonly page: Page;
  readonly context: BrowserContext;
  /** From here on the page's questions to the server are this asker's; null: nobody answers them. */
  readonly serve: (wanted: WantedReport | null) => void;
}

/** A printer that has printed, and for whom. */
interface UsedPrinter {
  readonly printer: Printer;
  readonly asker: string;
}

/** The same person in the same session, for the same firm: what one of their reports left behind may serve the next. */
const askerOf = ({ cookies, firm, timeZone }: WantedReport): string =>
  JSON.stringify([cookies, firm, timeZone]);

interface Kept {
  readonly browser: Promise<Browser>;
  /** Made ready for the next report: it has the application loaded already, and nobody's data. */
  spare: Promise<Printer> | null;
  /** Has printed last, and has that asker's logs and judgement at hand. */
  used: UsedPrinter | null;
  timer: ReturnType<typeof setTimeout> | undefined;
}
let kept: Kept | null = null;

function warmBrowser(): Kept {
  if (kept === null) {
    const browser = chromium.launch({
      executablePath,
      // Chromium's sandbox does not start as root.
      args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
    });
    const own: Kept = { browser, spare: null, used: null, timer: undefined };
    kept = own;
    const forget = (): void => {
      if (kept === own) kept = null;
    };
    browser.then((running) => running.on('disconnected', forget), forget);
  }
  clearTimeout(kept.timer);
  return kept;
}

async function newPrinter(browser: Browser): Promise<Printer> {
  const context = await browser.newContext({
    colorScheme: 'light',
    locale: 'en-US',
    // Beside the installed application's own caches, of which a single print has no use.
    serviceWorkers: 'block',
  });
  let asker: WantedReport | null = null;
  await context.route(`${ownOrigin()}/api/**`, (route) =>
    asker === null ? route.abort() : answerFor(asker)(route),
  );
  const page = await context.newPage();
  return {
    page,
    context,
    serve: (wanted) => {
      asker = wanted;
    },
  };
}

/** A printer with the application running in it, which was told so far that nobody answers. */
async function readyPrinter(browser: Browser): Promise<Printer> {
  const printer = await newPrinter(browser);
  await printer.page.goto(`${ownOrigin()}/report`);
  // Only the running application can say so.
  await printer.page.getByRole('alert').filter({ hasText: /\S/ }).first().waitFor({ timeout: 10_000 });
  return printer;
}

/** Makes a place for the next report ready, unless one is. */
function prepareNext(own: Kept): void {
  if (own.spare !== null) return;
  const ready = own.browser.then(readyPrinter);
  ready.catch(() => {
    if (own.spare === ready) own.spare = null;
  });
  own.spare = ready;
}

/** Ends the browser where no report comes. */
function keepForAWhile(own: Kept): void {
  clearTimeout(own.timer);
  own.timer = setTimeout(
    () => void own.browser.then((running) => running.close()).catch(() => {}),
    keptMilliseconds,
  );
  own.timer.unref?.();
}

/** A report may be wanted soon: starts what it takes. */
export function expectReport(): void {
  const own = warmBrowser();
  prepareNext(own);
  keepForAWhile(own);
}

/**
 * A job's report as a PDF: tagged, with bookmarks, printed by Chromium from the page that is shown on screen.
 * Throws when the page does not become ready, when it was called off, and TooManyReports.
 */
export function printReport(wanted: WantedReport): Promise<Uint8Array<ArrayBuffer>> {
  wanted.onStage('waiting', 0);
  return queue.run(
    wanted.person,
    wanted.signal,
    (before) => wanted.onStage('waiting', before),
    () => print(wanted),
  );
}

/** Where this server answers itself, past any reverse proxy. */
const ownOrigin = (): string => process.env.FAIRPLUG_OWN_ORIGIN ?? publicOrigin();

/**
 * Of the firm's logs, those that the page needs: it is not to fetch every other job besides. It is told of them whole each
 * time, for the next report may be of a job that it was not told of.
 */
function neededOf(answered: string, job: string): string {
  const { logs, cursor: _, ...rest } = logsAnswer().parse(JSON.parse(answered));
  return JSON.stringify({ ...rest, logs: logs.filter(({ id, kind }) => id === job || kind === 'kit') });
}

/** Answers the page's questions to the server as the asker's own, whatever kind of cookie that takes. */
const answerFor =
  ({ cookies, job }: WantedReport) =>
  async (route: Route): Promise<void> => {
    const request = route.request();
    const response = await fetch(request.url(), { headers: { ...request.headers(), cookie: cookies } });
    const type = response.headers.get('content-type') ?? 'application/json';
    if (type.startsWith('image/')) {
      await route.fulfill({ contentType: type, body: Buffer.from(await response.arrayBuffer()) });
      return;
    }
    const answered = await response.text();
    const isLogs = response.ok && new URL(request.url()).pathname === '/api/logs';
    await route.fulfill({
      status: response.status,
      contentType: type,
      body: isLogs ? neededOf(answered, job) : answered,
    });
  };

/** In the page that stands ready: the application goes to the report, and asks the server, which answers now. */
function goTo(address: string): void {
  history.pushState(null, '', address);
  dispatchEvent(new Event('online'));
}

/** What does not go on for so long is stuck. */
const stuckMilliseconds = 30_000;

/** In the page: how far a report is, once that is further than it was; one that is drawn stays so. */
function furtherThan({ report, before }: { readonly report: string; readonly before: string | null }) {
  const here = document.querySelector(report);
  if (here === null) return null;
  const [heard] = performance.getEntriesByName('engine at work');
  const now = `${here.getAttribute('data-report')} ${heard?.startTime}`;
  return now === before ? null : now;
}

/** Waits until a report is drawn, however long it is judged; throws where that does not go on. */
async function drawn(page: Page, report: string): Promise<void> {
  for (let before: string | null = null; before?.startsWith('ready') !== true; ) {
    const options = { timeout: stuckMilliseconds, polling: 50 };
    before = await (await page.waitForFunction(furtherThan, { report, before }, options)).jsonValue();
  }
}

/** In the page: its letters and pictures are there. A photo that cannot be had is left out, and its caption stands. */
async function allDrawn(): Promise<void> {
  await document.fonts.ready;
  await Promise.all([...document.images].map((image) => image.decode().catch(() => {})));
}

/** The printer that printed for the same asker before, one that stands ready for anybody, or a new one. */
async function takePrinter(
  own: Kept,
  asker: string,
): Promise<{ readonly printer: Printer; readonly isNew: boolean }> {
  const { used, spare } = own;
  own.used = null;
  if (used?.asker === asker && !used.printer.page.isClosed()) return { printer: used.printer, isNew: false };
  if (used !== null) end(used.printer);
  own.spare = null;
  const ready = (await spare?.catch(() => null)) ?? null;
  return { printer: ready ?? (await newPrinter(await own.browser)), isNew: ready === null };
}

const end = ({ context }: Printer): void => void context.close().catch(() => {});

async function print(wanted: WantedReport): Promise<Uint8Array<ArrayBuffer>> {
  const { job, firm, language, timeZone, signal, onStage } = wanted;
  signal.throwIfAborted();
  onStage('opening');
  const own = warmBrowser();
  const asker = askerOf(wanted);
  const { printer, isNew } = await takePrinter(own, asker);
  const { page, serve } = printer;
  const callOff = (): void => end(printer);
  signal.addEventListener('abort', callOff);
  try {
    serve(wanted);
    if (timeZone !== null) await setTimeZone(printer, timeZone);
    const address = `/report?${new URLSearchParams({ job, firm, owner: language })}`;
    if (isNew) await page.goto(ownOrigin() + address);
    else await page.evaluate(goTo, address);
    onStage('reading');
    await drawn(page, `[data-of="${job} ${language}"]`);
    await page.evaluate(allDrawn);
    onStage('printing');
    const pdf = await asPdf(page);
    serve(null);
    own.used = { printer, asker };
    return pdf;
  } catch (error) {
    end(printer);
    throw error;
  } finally {
    signal.removeEventListener('abort', callOff);
    prepareNext(own);
    keepForAWhile(own);
  }
}

async function setTimeZone({ context, page }: Printer, timezoneId: string): Promise<void> {
  const session = await context.newCDPSession(page);
  // One that Chromium does not know leaves the server's own.
  await session.send('Emulation.setTimezoneOverride', { timezoneId }).catch(() => {});
}

const asPdf = async (page: Page): Promise<Uint8Array<ArrayBuffer>> =>
  new Uint8Array(
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
