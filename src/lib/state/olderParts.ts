/** What reads records of older formats, and files: a file of its own, for it is seldom wanted. */
export { readJobFile, readKeptList, readStoredJob } from '$core/read';
