/** What holds for every answer of the server, page, stand-in or file, and for every question put to it. */

/** Longer addresses are nobody's question. */
const LONGEST_ADDRESS = 2_048;
/** Bytes of a question; the framework holds to the same where no length is announced. */
export const LARGEST_BODY = 512 * 1024;

const READING = ['GET', 'HEAD'];
const STAND_INS = '/api/';
/** Stand-ins that are asked with more than an address holds. */
const ASKED_BY_BODY = { '/api/drivers': ['POST'] };

const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
  'Permissions-Policy':
    'accelerometer=(), camera=(), display-capture=(), geolocation=(), gyroscope=(), microphone=(), payment=(), usb=()',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
};

/** Types of files that no table of the framework's knows. */
const TYPES = { '.sh': 'text/x-shellscript; charset=utf-8' };

/** @returns status, word and further headers of a refusal, or null where the question may be put */
export function refusal({ method = '', url = '', headers }) {
  if (url.length > LONGEST_ADDRESS)
    return { status: 414, word: `The address is longer than ${LONGEST_ADDRESS} characters` };
  const path = pathOf(url);
  if (path === null) return { status: 400, word: 'The address cannot be read' };
  const allowed = ASKED_BY_BODY[path] ?? READING;
  if (!allowed.includes(method))
    return {
      status: 405,
      word: `${path.startsWith(STAND_INS) ? path : 'This address'} is asked with ${allowed.join(' or ')}`,
      allow: allowed.join(', '),
    };
  if (Number(headers['content-length'] ?? 0) > LARGEST_BODY)
    return { status: 413, word: `The question is longer than ${LARGEST_BODY} bytes` };
  return null;
}

/** Null where the address is none, or hides something in its letters. */
function pathOf(url) {
  try {
    const path = decodeURIComponent(new URL(url, 'http://bench').pathname);
    return path.includes('\0') || path.includes('\\') ? null : path;
  } catch {
    return null;
  }
}

/** Makes the answer carry what every answer carries, whoever writes it. */
export function guarded(response, url) {
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
  const path = pathOf(url) ?? '';
  const type = TYPES[path.slice(path.lastIndexOf('.'))];
  const write = response.writeHead;
  response.writeHead = (status, ...rest) => {
    const given = rest.find((each) => typeof each === 'object' && each !== null) ?? {};
    for (const [name, value] of Object.entries(given)) response.setHeader(name, value);
    if (type !== undefined && status === 200) response.setHeader('Content-Type', type);
    // Whatever says nothing of it is asked for anew each time.
    if (!response.hasHeader('Cache-Control')) response.setHeader('Cache-Control', 'no-cache');
    return write.call(response, status);
  };
}
