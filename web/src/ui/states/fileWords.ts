/** An instant as people of the shop read it. */
export const dayAndTime = (instant: string): string =>
  new Date(instant).toLocaleString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

export const megabytes = (bytes: number): string => (bytes / 1024 / 1024).toFixed(1);
