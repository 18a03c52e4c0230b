/** Machines that a survey can start from. */
import { json } from '@sveltejs/kit';
import { TEMPLATES } from '$demo/machines';

export const GET = () => json(TEMPLATES);
