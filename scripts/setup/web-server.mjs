import { createServer } from 'node:http';
import { join } from 'node:path';
import next from 'next';
import proxyAddress from 'proxy-addr';
import sirv from 'sirv';
import { webFolder } from './settings.mjs';

/**
 * The web server: next's, behind what it does not do by itself. Forwarded addresses count only where a proxy said them
 * that was named; whatever a visitor says of their own is overwritten. Under https browsers are told to stay with it. What
 * was built is sent as small as it can be made, which takes longer than a request may. It gets ready at once, and listens
 * when it is told that its database is ready.
 */
const { FAIRPLUG_HOST_LISTENING: hostname, FAIRPLUG_PORT_LISTENING, FAIRPLUG_PROXIES = '' } = process.env;
const port = Number(FAIRPLUG_PORT_LISTENING);
const isTrusted = proxyAddress.compile(FAIRPLUG_PROXIES.split(',').filter((one) => one !== ''));
const isSecure = process.env.FAIRPLUG_ORIGIN?.startsWith('https:') ?? false;

/** Files of the build under their own names, which say what is in them: compressed when they were built, and kept for ever. */
const files = sirv(join(webFolder, process.env.FAIRPLUG_DIST || '.next', 'static'), {
  brotli: true,
  gzip: true,
  immutable: true,
  maxAge: 31_536_000,
  etag: true,
  setHeaders: (response) => {
    response.setHeader('X-Content-Type-Options', 'nosniff');
    response.setHeader('Vary', 'Accept-Encoding');
  },
});
const staticPath = '/_next/static';

const app = next({ dev: false, dir: webFolder, hostname, port });
const handle = app.getRequestHandler();
await app.prepare();

const server = createServer((request, response) => {
  const source = proxyAddress(request, isTrusted);
  request.headers['x-forwarded-for'] = source ?? 'unknown';
  for (const name of ['x-real-ip', 'forwarded']) delete request.headers[name];
  if (isSecure) response.setHeader('Strict-Transport-Security', 'max-age=31536000; includeSubDomains');
  if (!request.url?.startsWith(`${staticPath}/`)) return handle(request, response);
  const asked = request.url;
  request.url = asked.slice(staticPath.length);
  files(request, response, () => {
    request.url = asked;
    handle(request, response);
  });
});
// Longer than proxies and clients let a connection rest (a minute, mostly): whoever closes first cuts off what the other
// is just sending.
server.keepAliveTimeout = 75_000;
// A message is kept until somebody hears it; whoever started this and is gone says nothing more.
const orphaned = () => process.exit(1);
process.once('disconnect', orphaned);
await new Promise((done) => process.once('message', done));
process.off('disconnect', orphaned);
process.disconnect();
server.listen(port, hostname);

process.on('SIGTERM', () => {
  // What is being answered is answered; then nothing rests.
  server.keepAliveTimeout = 1;
  server.close(() => process.exit(0));
  server.closeIdleConnections();
});
