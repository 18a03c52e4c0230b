/** The invented jobs of the demo: when the server was started with them, or when somebody asks to walk through them. */
import { json } from '@sveltejs/kit';
import { demoJobs } from '$demo/jobs';
import { PACKAGES } from '../drivers/library';
import museumText from '$demo/evidence/lighthouse-museum.lspci.txt?raw';

export const GET = ({ url }: { url: URL }) =>
  json(
    process.env['TENANT_DEMO'] === '1' || url.searchParams.has('walk')
      ? demoJobs(museumText, PACKAGES)
      : [],
  );
