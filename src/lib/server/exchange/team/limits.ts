/** Of the zip, bytes. */
export const MOST_FILE = 1024 ** 3;
