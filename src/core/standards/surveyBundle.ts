/** Tenant's own format of the file that the survey script writes: its first line. */
export const SURVEY_BUNDLE_HEAD = 'tenant-survey ';
export const SURVEY_BUNDLE_VERSION = 1;
