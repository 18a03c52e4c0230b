/** The present instant, as ISO text: the one clock of the application. */
export const now = (): string => new Date().toISOString();
