/** Stand-in for a driver library: the packages that are for any of the asked devices. */
import { error, json } from '@sveltejs/kit';
import * as z from 'zod/mini';
import { namesAny } from '$core/drivers';
import { PACKAGES } from './library';

const MOST_IDS = 20_000;
const IDENTITY = /^[0-9a-f]{4}:[0-9a-f]{4}$/;
const Question = z.object({ ids: z.array(z.string()) });

/** Asked by a body: a shop with many cards of its own asks for more than an address holds. */
export async function POST({ request }: { request: Request }) {
  const asked = Question.safeParse(await request.json().catch(() => null));
  if (!asked.success || asked.data.ids.length === 0)
    error(400, '{"ids": [...]}: a list of vendor:device identities is expected');
  const { ids } = asked.data;
  if (ids.length > MOST_IDS) error(400, `ids: at most ${MOST_IDS} identities at once`);
  const wrong = ids.find((id) => !IDENTITY.test(id));
  if (wrong !== undefined)
    error(400, `ids: "${wrong.slice(0, 40)}" is not vendor:device in hexadecimal`);
  const wanted = new Set(ids);
  return json(PACKAGES.filter((each) => namesAny(each, wanted)));
}
