import { createServer } from 'node:http';
import next from 'next';
import proxyAddress from 'proxy-addr';
import { webFolder } from './settings.mjs';

/**
 * The web server: next's, behind what it does not do by itself. Forwarded addresses count only where a proxy said them
 * that was named; whatever a visitor says of their own is overwritten. Under https browsers are told to stay with it.
 */
const { FAIRPLUG_HOST_LISTENING: hostname, FAIRPLUG_PORT_LISTENING, FAIRPLUG_PROXIES = '' } = process.env;
const port = Number(FAIRPLUG_PORT_LISTENING);
const isTrusted = proxyAddress.compile(FAIRPLUG_PROXIES.split(',').filter((one) => one !== ''));
const isSecure = process.env.FAIRPLUG_ORIGIN?.startsWith('https:') ?? false;

const app = next({ dev: false, dir: webFolder, hostname, port });
const handle = app.getRequestHandler();
await app.prepare();

const server = createServer((request, response) => {
  const source = proxyAddress(request, isTrusted);
  request.headers['x-forwarded-for'] = source ?? 'unknown';
  for (const name of ['x-real-ip', 'forwarded']) delete request.headers[name];
  if (isSecure) response.setHeader('Strict-Transport-Security', 'max-age=31536000; includeSubDomains');
  handle(request, response);
});
server.listen(port, hostname);

process.on('SIGTERM', () => {
  server.close(() => process.exit(0));
  server.closeIdleConnections();
});
