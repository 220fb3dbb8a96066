/** Bytes as people speak of files. */
export const megabytes = (bytes: number): string => (bytes / 1024 / 1024).toFixed(1);
