import { expect, test } from 'vitest';
import { startSettings, testSettings } from './settings.mjs';

// Linux gives outgoing connections a port from 32768 on (net.ipv4.ip_local_port_range); the IANA's range of dynamic ports
// begins at 49152 (RFC 6335, 6). The server's own connections to a database that is starting would take it, too.
const firstOfOutgoing = 32768;

const portsIn = (settings: object): number[] =>
  Object.entries(settings).flatMap(([key, value]) => {
    if (typeof value === 'object') return portsIn(value);
    return /port$/i.test(key) ? [Number(value)] : [];
  });

test('nothing listens where an outgoing connection may have its port', () => {
  const ports = [...portsIn(startSettings()), ...portsIn(testSettings())];
  expect(ports).toHaveLength(12);
  expect(new Set(ports).size).toBe(ports.length);
  for (const port of ports) expect(port).toBeLessThan(firstOfOutgoing);
});
