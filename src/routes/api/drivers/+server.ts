/** Stand-in for a driver library: the packages that name any of the asked device identities. */
import { error, json } from '@sveltejs/kit';
import { PACKAGES } from '$demo/drivers';

const MOST_IDS = 2000;
const IDENTITY = /^[0-9a-f]{4}:[0-9a-f]{4}$/;

export function GET({ url }: { url: URL }) {
  const ids = (url.searchParams.get('ids') ?? '').split(',').filter((id) => id !== '');
  if (ids.length === 0) error(400, 'ids: a list of vendor:device identities is expected');
  if (ids.length > MOST_IDS) error(400, `ids: at most ${MOST_IDS} identities at once`);
  const wrong = ids.find((id) => !IDENTITY.test(id));
  if (wrong !== undefined)
    error(400, `ids: "${wrong.slice(0, 40)}" is not vendor:device in hexadecimal`);
  const asked = new Set(ids);
  return json(PACKAGES.filter(({ deviceIds }) => deviceIds.some((id) => asked.has(id))));
}
