const KEPT = 10;
let offsets: number[] = [];

/** Takes in the server's time as it just arrived; delays only ever make it look older, so the latest-looking wins. */
export function noteServerTime(serverAt: string): void {
  offsets = [...offsets, Date.parse(serverAt) - Date.now()].slice(-KEPT);
}

/** Now by the server's clock, ms since 1970: the same on every device, however its own clock is set. */
export const serverNow = (): number => Date.now() + (offsets.length > 0 ? Math.max(...offsets) : 0);
