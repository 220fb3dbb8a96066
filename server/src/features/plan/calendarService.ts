import { assumedCalendar, parseCalendar, staleCalendar } from '@saltflat/contract';
import type { CalendarChange, ShopCalendar } from '@saltflat/contract';
import type { WorkCalendar } from '@saltflat/core/plan';
import type { Database, Tx } from '../../db/connection.ts';

interface Reads {
  read: (key: 'calendar') => Promise<{ document: object; version: number } | null>;
}

/**
 * Reads when the shop works.
 *
 * @param zone time zone that is taken while nobody has said one
 */
export const calendarReader = (settings: Reads, zone: string) => async (): Promise<ShopCalendar> => {
  const kept = await settings.read('calendar');
  // what stands there was checked when it was written
  return kept
    ? { document: kept.document as WorkCalendar, version: kept.version, isAssumed: false }
    : { document: assumedCalendar(zone), version: 1, isAssumed: true };
};

interface Needs {
  db: Database;
  settings: {
    write: (key: 'calendar', version: number, document: WorkCalendar, tx: Tx) => Promise<boolean>;
  };
  read: () => Promise<ShopCalendar>;
  /** Other hours hold from now on. */
  onChange: () => void;
}

/** When the shop works. */
export class CalendarService {
  constructor(private readonly needs: Needs) {}

  read(): Promise<ShopCalendar> {
    return this.needs.read();
  }

  async change({ version, record }: CalendarChange): Promise<ShopCalendar> {
    const calendar = parseCalendar(record);
    const { db, settings, onChange } = this.needs;
    const isWritten = await db.transaction((tx) => settings.write('calendar', version, calendar, tx));
    if (!isWritten) throw staleCalendar(await this.read());
    onChange();
    return this.read();
  }
}
