/** The readers of evidence, fetched by the worker when the first file is dropped. */
export { readEvidence } from '$core';
