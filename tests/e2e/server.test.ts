/** Every answer of the server: its headers, and what it refuses, in one table. */
import { request as ask } from 'node:http';
import { expect, test } from './fixtures';

interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly text: string;
}

/** The question as it is written, without a client that tidies it. */
const put = (base: string, method: string, path: string, body = '', more = {}): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(base);
    const question = ask({ hostname, port, method, path, headers: more }, (answer) => {
      let text = '';
      answer.setEncoding('utf8');
      answer.on('data', (chunk: string) => (text += chunk));
      answer.on('end', () =>
        resolve({ status: answer.statusCode ?? 0, headers: answer.headers, text }),
      );
    });
    question.on('error', reject);
    question.end(body);
  });

const JSON_TYPE = { 'content-type': 'application/json' };
const LONG = 'x'.repeat(3_000);

const TABLE: readonly (readonly [
  method: string,
  path: string,
  status: number,
  type: RegExp | null,
  cache: RegExp,
])[] = [
  ['GET', '/', 200, /^text\/html/, /^no-cache/],
  ['GET', '/jobs/sail-loft/fit', 200, /^text\/html/, /^no-cache/],
  ['GET', '/catalogue', 200, /^text\/html/, /^no-cache/],
  ['GET', '/nothing', 404, /^text\/html/, /^no-cache/],
  ['GET', '/jobs/sail-loft/no-stage', 404, /^text\/html/, /^no-cache/],
  ['GET', '/api/catalogue', 200, /^application\/json/, /^no-cache/],
  ['GET', '/api/templates', 200, /^application\/json/, /^no-cache/],
  ['GET', '/api/demo', 200, /^application\/json/, /^no-cache/],
  ['GET', '/survey.sh', 200, /^text\/x-shellscript/, /^no-cache/],
  ['HEAD', '/survey.sh', 200, /^text\/x-shellscript/, /^no-cache/],
  ['GET', '/icon.svg', 200, /^image\/svg\+xml/, /^no-cache/],
  ['GET', '/job.schema.json', 200, /^application\/json/, /^no-cache/],
  ['GET', '/files.json', 200, /^application\/json/, /^no-cache/],
  ['GET', '/service-worker.js', 200, /^text\/javascript/, /^no-cache/],
  ['POST', '/', 405, null, /^no-cache/],
  ['PUT', '/survey.sh', 405, null, /^no-cache/],
  ['DELETE', '/icon.svg', 405, null, /^no-cache/],
  ['OPTIONS', '/', 405, null, /^no-cache/],
  ['TRACE', '/', 405, null, /^no-cache/],
  ['POST', '/api/catalogue', 405, null, /^no-cache/],
  ['GET', '/api/drivers', 405, null, /^no-cache/],
  ['GET', `/${LONG}`, 414, null, /^no-cache/],
  ['GET', `/?q=${LONG}`, 414, null, /^no-cache/],
  ['GET', '/%00', 400, null, /^no-cache/],
  ['GET', '/%E0%A4%A', 400, null, /^no-cache/],
  ['GET', '/..%5c..%5cpackage.json', 400, null, /^no-cache/],
  ['GET', '/../package.json', 404, null, /^no-cache/],
  ['GET', '/%2e%2e/package.json', 404, null, /^no-cache/],
  ['GET', '/_app/../../server/index.js', 404, null, /^no-cache/],
];

test('every answer carries the same guard, and other questions are refused with a word', async ({
  baseURL,
}) => {
  for (const [method, path, status, type, cache] of TABLE) {
    const { status: given, headers, text } = await put(baseURL ?? '', method, path);
    const what = `${method} ${path.slice(0, 60)}`;
    expect(given, what).toBe(status);
    expect(headers, what).toMatchObject({
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
      'cross-origin-opener-policy': 'same-origin',
      'cross-origin-resource-policy': 'same-origin',
    });
    expect(headers['permissions-policy'], what).toContain('camera=()');
    expect(headers['cache-control'], what).toMatch(cache);
    if (type !== null) expect(headers['content-type'], what).toMatch(type);
    if (status === 405) expect(headers['allow'], what).toMatch(/GET|POST/);
    if (status >= 400 && method !== 'HEAD') expect(text.length, what).toBeGreaterThan(10);
    if (headers['content-type']?.includes('html') === true && status === 200)
      expect(headers['content-security-policy'], what).toContain("default-src 'self'");
  }
});

test('files whose names say what is in them may be kept for good', async ({ page, baseURL }) => {
  const { files } = (await (await page.request.get('/files.json')).json()) as { files: string[] };
  const immutable = files.find((file) => file.startsWith('/_app/immutable/chunks/')) ?? '';
  const { headers } = await put(baseURL ?? '', 'GET', immutable);
  expect(headers['cache-control']).toContain('immutable');
  expect(headers['x-content-type-options']).toBe('nosniff');
  // Whatever a worker may load is among what is kept.
  expect(files.filter((file) => file.includes('/workers/')).length).toBeGreaterThan(3);
});

test('questions that are too long are refused, announced or not', async ({ baseURL }) => {
  const body = JSON.stringify({ ids: Array.from({ length: 90_000 }, () => 'f1a4:7402') });
  const announced = { ...JSON_TYPE, 'content-length': String(body.length) };
  const one = await put(baseURL ?? '', 'POST', '/api/drivers', body, announced);
  expect(one.status).toBe(413);
  const chunked = { ...JSON_TYPE, 'transfer-encoding': 'chunked' };
  const two = await put(baseURL ?? '', 'POST', '/api/drivers', body, chunked);
  expect([400, 413]).toContain(two.status);
});
