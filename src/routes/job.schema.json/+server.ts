/** The JSON Schema of job files, made with the build from the schema that reads them. */
import { jobFileSchema } from '$core/write';
import { json } from '@sveltejs/kit';

export const prerender = true;

export const GET = () => json(jobFileSchema());
