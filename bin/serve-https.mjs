/**
 * Serves the built app by HTTPS on the shop's network, and beside it, by plain HTTP, the one page a phone needs first:
 * the certificate of the shop's own authority and the address (PYRETHOS_DOOR_PORT; not with certificates of your own).
 */
import { readFileSync } from 'node:fs';
import { createServer as createPlain } from 'node:http';
import { createServer } from 'node:https';
import { handler } from '../build/handler.js';

const { HOST = '0.0.0.0', PORT, PYRETHOS_TLS_CERT, PYRETHOS_TLS_KEY, PYRETHOS_TLS_AUTHORITY } = process.env;
const server = createServer(
  { cert: readFileSync(PYRETHOS_TLS_CERT), key: readFileSync(PYRETHOS_TLS_KEY), minVersion: 'TLSv1.2' },
  handler
);
server.listen(Number(PORT), HOST);

const servers = [server];
if (PYRETHOS_TLS_AUTHORITY) {
  const authority = readFileSync(PYRETHOS_TLS_AUTHORITY);
  const address = process.env.PYRETHOS_ADDRESS;
  const page = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Pyrethos on this device</title>
<style>:root{color-scheme:light dark}body{font:18px/1.5 system-ui,sans-serif;max-width:34rem;margin:2rem auto;padding:0 1rem}a{display:inline-block;padding:.7rem 1.2rem;border:2px solid;border-radius:.5rem;font-weight:700;color:inherit;text-decoration:none}</style>
<h1>Pyrethos on this device</h1>
<p>The workshop’s server proves that it is itself by a certificate of the shop’s own authority. This device has to know that authority, once.</p>
<ol><li><p><a href="/authority.crt">Load the authority</a></p><p>Compare its fingerprint with the one on the server’s terminal.</p></li>
<li><p><b>Android:</b> Settings, Security, Install a certificate, CA certificate. <b>iPhone or iPad:</b> install the profile in Settings, then switch it on under General, About, Certificate Trust Settings. <b>Computer:</b> import it in the browser’s settings as an authority for web sites.</p></li>
<li><p><a href="${address}">Open Pyrethos</a></p></li></ol></html>`;
  const plain = createPlain((request, response) => {
    const headers = { 'X-Content-Type-Options': 'nosniff', 'Cache-Control': 'no-store' };
    if (request.url === '/authority.crt')
      response.writeHead(200, { ...headers, 'Content-Type': 'application/x-x509-ca-cert' }).end(authority);
    else if (request.url === '/')
      response
        .writeHead(200, {
          ...headers,
          'Content-Type': 'text/html; charset=utf-8',
          'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'"
        })
        .end(page);
    else response.writeHead(404, headers).end();
  });
  plain.listen(Number(process.env.PYRETHOS_DOOR_PORT), HOST);
  servers.push(plain);
}

let stopping = false;
async function stop(signal) {
  if (stopping) return;
  stopping = true;
  for (const s of servers) {
    s.close();
    s.closeIdleConnections();
  }
  // The app's own: connections to the database, threads, recordings.
  process.emit('sveltekit:shutdown', signal);
  setTimeout(() => servers.forEach((s) => s.closeAllConnections()), 5000).unref();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
