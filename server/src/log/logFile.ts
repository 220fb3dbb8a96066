import { closeSync, existsSync, fchmodSync, fstatSync, openSync, renameSync, writeSync } from 'node:fs';

const MOST_BYTES = 5 * 1024 * 1024;
const KEPT = 5;

/**
 * A log file that is begun anew when it is full; the former ones stay beside it as `.1` to `.5`, readable by the owner alone. A line
 * that cannot be written, as on a full disk, is left out: no library was found that goes on after that, and no line of a log is
 * worth the server.
 *
 * @param file its path
 * @param mostBytes how long it may grow
 */
export function createLogFile(file: string, mostBytes = MOST_BYTES): { write: (line: string) => void } {
  let handle: number | null = null;
  let size = 0;
  const open = (): number => {
    const opened = openSync(file, 'a', 0o600);
    const stat = fstatSync(opened);
    if (stat.isFile()) fchmodSync(opened, 0o600); // one from before may be open to others
    size = stat.size;
    return opened;
  };
  const turn = (): void => {
    if (handle !== null) closeSync(handle);
    handle = null;
    for (let number = KEPT - 1; number >= 0; number--) {
      const former = number === 0 ? file : `${file}.${number}`;
      if (existsSync(former)) renameSync(former, `${file}.${number + 1}`);
    }
  };
  return {
    write: (line) => {
      try {
        if (size > mostBytes) turn();
        handle ??= open();
        size += writeSync(handle, line);
      } catch {
        // see above
      }
    },
  };
}
