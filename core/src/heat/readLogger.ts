import type { LoggedTemp } from './fitContacts.ts';

/** A press cycle out of a logger: a column of time, and one or more of temperature. */
export interface LoggedCycle {
  channels: { name: string; samples: LoggedTemp[] }[];
}
export type ReadLogger = { ok: true; cycle: LoggedCycle } | { ok: false; problem: string };

const refuse = (problem: string): ReadLogger => ({ ok: false, problem });

/**
 * Reads a logger's table: time first (seconds, or m:ss), then a channel a column. Figures stand apart by semicolon, tab or
 * comma; with commas between them a decimal needs a point. A first line that is no figures names the channels. A cell that is
 * empty is a sample the logger missed.
 *
 * @returns the channels with times from the first line on, or a sentence that names the line
 */
export function readLogger(text: string): ReadLogger {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  if (lines.length === 0) return refuse('There is nothing in the file.');
  const separator = lines.some((line) => /[;\t]/.test(line)) ? /[;\t]/ : /,/;
  const cells = lines.map((line) => line.split(separator).map((own) => own.trim()));
  const figure = (cell: string): number =>
    Number(String(separator) === '/,/' ? cell : cell.replace(',', '.'));
  const hasHead = cells[0].some((cell) => cell !== '' && Number.isNaN(timeOf(cell, figure)));
  const head = hasHead ? cells[0] : cells[0].map((_, i) => (i === 0 ? 'time' : `channel ${i}`));
  if (head.length < 2)
    return refuse('A column of time and one of temperature at least are needed; there is one column.');
  const body = hasHead ? cells.slice(1) : cells;
  const channels = head.slice(1).map((name) => ({ name, samples: [] as LoggedTemp[] }));
  let lastS = -Infinity;
  let fromS: number | null = null;
  for (const [i, row] of body.entries()) {
    const at = `Line ${i + 1 + (hasHead ? 1 : 0)}`;
    if (row.length !== head.length)
      return refuse(
        `${at} has ${row.length} columns, the others ${head.length}. Where a comma stands in a figure, put a point, or set columns apart by semicolons.`,
      );
    const timeS = timeOf(row[0], figure);
    if (Number.isNaN(timeS))
      return refuse(`${at} has no time: “${row[0].slice(0, 20)}”. Seconds or m:ss are needed.`);
    if (timeS <= lastS) return refuse(`${at} is at ${timeS} s, not after the line before it.`);
    lastS = timeS;
    fromS ??= timeS;
    for (const [k, channel] of channels.entries()) {
      const cell = row[k + 1];
      if (cell === '') continue;
      const tempC = figure(cell);
      if (!Number.isFinite(tempC))
        return refuse(`${at}, “${channel.name}”: “${cell.slice(0, 20)}” is no temperature.`);
      if (tempC < -20 || tempC > 300)
        return refuse(`${at}, “${channel.name}”: ${tempC} is no temperature in °C that a press gives.`);
      channel.samples.push({ atS: timeS - fromS, tempC });
    }
  }
  const empty = channels.find(({ samples }) => samples.length === 0);
  if (empty) return refuse(`The column “${empty.name}” is empty.`);
  return { ok: true, cycle: { channels } };
}

const RISE_K = 5;

/**
 * When the plate closed, as far as a cycle tells: the last moment before the first sensor had risen by five kelvin. Near enough
 * to begin with; who watched the press knows better.
 */
export function closedAtS({ channels }: LoggedCycle): number {
  const risen = channels.flatMap(({ samples }) => {
    const i = samples.findIndex(({ tempC }) => tempC > samples[0].tempC + RISE_K);
    return i < 0 ? [] : [samples[i - 1].atS];
  });
  return risen.length > 0 ? Math.min(...risen) : 0;
}

/** Seconds, or minutes and seconds; NaN for what is no time. */
function timeOf(cell: string, figure: (cell: string) => number): number {
  const clock = /^(\d+):([0-5]?\d(?:\.\d+)?)$/.exec(cell);
  if (clock) return 60 * Number(clock[1]) + Number(clock[2]);
  return cell === '' ? NaN : figure(cell);
}
