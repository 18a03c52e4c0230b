/** The invented jobs of the demo, when the server was started with them; none otherwise. */
import { json } from '@sveltejs/kit';
import { demoJobs } from '$demo/jobs';
import { PACKAGES } from '../drivers/library';
import museumText from '$demo/evidence/lighthouse-museum.lspci.txt?raw';

export const GET = () =>
  json(process.env['TENANT_DEMO'] === '1' ? demoJobs(museumText, PACKAGES) : []);
