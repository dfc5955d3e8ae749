/** A browser of another version is told to reload, keeping what it has not sent. */
export const API_VERSION = 13;
