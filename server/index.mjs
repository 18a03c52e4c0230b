/** Serves the built application: pages, files and the stand-ins for outside services, all behind one guard. */
import { createServer } from 'node:http';
import { LARGEST_BODY, guarded, refusal } from './guard.mjs';

process.env.BODY_SIZE_LIMIT = String(LARGEST_BODY);
const { handler } = await import(`../${process.env.TENANT_BUILD ?? 'build'}/handler.js`);

const port = Number(process.env.PORT ?? 4173);
const host = process.env.HOST ?? '127.0.0.1';

const server = createServer((request, response) => {
  guarded(response, request.url);
  const refused = refusal(request);
  if (refused === null) {
    handler(request, response, () => answer(response, { status: 404, word: 'Nothing is here' }));
    return;
  }
  answer(response, refused);
  // What is still sent is not waited for.
  request.resume();
});

function answer(response, { status, word, allow }) {
  response.setHeader('Content-Type', 'text/plain; charset=utf-8');
  if (allow !== undefined) response.setHeader('Allow', allow);
  response.writeHead(status);
  response.end(`${word}\n`);
}

server.listen(port, host);
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    server.close();
    server.closeAllConnections();
  });
