import { minuteOfIn } from '@saltflat/contract/wallClock';
import { daysFrom } from '@saltflat/core/plan';
import type { PicturedOp } from '@saltflat/core/plan';
import { USUAL_WRITING } from '@saltflat/core/units';
import { expect } from 'chai';
import ICAL from 'ical.js';
import { dayPaper } from './dayPaper.ts';
import { dayPaperPdf } from './dayPaperPdf.ts';
import type { Followed } from './followedPlan.ts';
import { machineCalendar, personCalendar } from './planCalendars.ts';
import { planComing } from './planComing.ts';

const LISBON = 'Europe/Lisbon';
/** Midnight before the clock goes back: the day has 25 hours. */
const EPOCH = Date.parse('2026-10-24T23:00:00Z');
const DAYS = daysFrom('2026-10-25', 2);

const op = (id: string, own: Partial<PicturedOp>): PicturedOp => ({
  id,
  job: 'job',
  lines: ['line'],
  operation: 'press',
  role: 'bond',
  station: 'press',
  title: 'Press, twice; hot',
  parts: 12,
  isRunning: false,
  machine: 'p',
  state: 157,
  isFixed: false,
  isLocked: false,
  phases: [{ from: 600, to: 620, people: 100 }],
  ...own,
});
/** Ines is there from nine to five, Tomasz from twelve on, and only for the printer. */
const followed = (ops: readonly PicturedOp[]): Followed => ({
  shop: {
    ...{ jobs: [], machines: [], former: [], locks: [] },
    calendar: {
      zone: LISBON,
      week: Array.from({ length: 7 }, () => ({ fromMin: 540, toMin: 1020 })),
      breaks: [],
      people: [
        { name: 'Ines', week: null, breaks: null, machines: null },
        {
          name: 'Tomasz Ö.',
          week: Array.from({ length: 7 }, () => ({ fromMin: 720, toMin: 1020 })),
          breaks: null,
          machines: ['q'],
        },
      ],
      ...{ holidays: [], away: [], down: [] },
    },
    epochMs: EPOCH,
    nowMs: EPOCH + 480 * 60_000,
    days: DAYS,
    minuteOf: minuteOfIn(LISBON, EPOCH),
  },
  picture: {
    ops,
    changes: [{ machine: 'p', from: 580, to: 600, before: -28, after: 157, people: 0 }],
    orders: [],
    load: [],
  },
  lines: new Map([['line', { code: 'K-212', customer: 'Gull Rock, Kite Club' }]]),
  runs: new Map([['job', 'run']]),
  machines: new Map([
    ['p', 'Press A'],
    ['q', 'Film printer'],
  ]),
  writing: { ...USUAL_WRITING, zone: LISBON },
});

/** A figure and its unit stay on one line by a blank that looks like any. */
const plain = (text: string): string => text.replace(/\s/g, ' ');
const eventsIn = (text: string): ICAL.Event[] =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((own) => new ICAL.Event(own));
const minutesOf = (event: ICAL.Event): [number, number] =>
  [event.startDate, event.endDate].map((at) => (at.toJSDate().getTime() - EPOCH) / 60_000) as [
    number,
    number,
  ];

describe('the plan as calendars', () => {
  const ops = [
    op('a', {}),
    op('b', { phases: [{ from: 1500, to: 1560, people: 0 }] }), // the day after, once the clock has gone back
    op('c', { machine: 'q', phases: [{ from: 800, to: 803, people: 100 }, { from: 803, to: 860, people: 0 }] }), // prettier-ignore
    op('d', {
      machine: null,
      state: null,
      station: 'inspection',
      phases: [{ from: 630, to: 640, people: 100 }],
    }),
    op('e', { phases: [{ from: 700, to: 700, people: 0 }] }), // a point in time is none
  ];

  it('are read back by another parser to the minute: a machine’s work and its changes', () => {
    const events = eventsIn(machineCalendar(followed(ops), 'p'));
    expect(events.map(minutesOf).sort(([p], [q]) => p - q)).to.deep.equal([
      [580, 600],
      [600, 620],
      [1500, 1560],
    ]);
    expect(new Set(events.map(({ summary }) => plain(summary)))).to.deep.equal(
      new Set(['K-212 Press, twice; hot ×12', 'Bring to 157 °C']),
    );
    expect(plain(events[0]?.description ?? '')).to.equal('Press A, 157 °C, Gull Rock, Kite Club');
    const names = (own: readonly ICAL.Event[]): string[] => own.map(({ uid }) => uid);
    expect(new Set(names(events)).size).to.equal(3);
    // whoever subscribed finds the same events again when they have moved
    const moved = followed(ops.map((own) => ({ ...own, phases: own.phases.map(({ people }) => ({ from: 900, to: 930, people })) }))); // prettier-ignore
    expect(names(eventsIn(machineCalendar(moved, 'p')))).to.include(names(events)[0]);
    expect(() => machineCalendar(followed(ops), 'x')).to.throw('no such machine');
  });

  it('hold for somebody what takes hands while they are there, on machines they may run', () => {
    const minutes = (name: string) => eventsIn(personCalendar(followed(ops), name)).map(minutesOf);
    expect(minutes('Ines')).to.deep.equal([
      [600, 620],
      [800, 860],
      [630, 640],
    ]);
    // noon on the wall is minute 780 of a day whose clock went back
    expect(minutes('Tomasz Ö.')).to.deep.equal([[800, 860]]);
    expect(() => personCalendar(followed(ops), 'Nobody')).to.throw('called so');
  });
});

describe('a day on paper', () => {
  it('has each station’s work in order, what follows on itself as one row, in the shop’s own day', async () => {
    const batches = [
      op('a', {}),
      op('b', { parts: 5, phases: [{ from: 625, to: 640, people: 50 }] }),
      op('c', { parts: 3, phases: [{ from: 700, to: 710, people: 100 }] }),
      op('d', {
        station: 'inspection',
        machine: null,
        state: null,
        phases: [{ from: 1495, to: 1510, people: 100 }],
      }),
    ];
    const day = dayPaper(followed(batches), '2026-10-25');
    expect(day.stations.map(({ station, rows }) => [station, rows.length])).to.deep.equal([
      ['press', 2],
      ['inspection', 1], // the day has 25 hours: minute 1495 is five to midnight
    ]);
    const [first, second] = day.stations[0]!.rows;
    expect(first).to.deep.include({
      pieces: 17,
      codes: 'K-212',
      machine: 'Press A',
      tempC: 157,
      handsMin: 27.5,
    });
    expect([(first!.fromMs - EPOCH) / 60_000, (first!.toMs - EPOCH) / 60_000]).to.deep.equal([600, 640]);
    expect(second!.pieces).to.equal(3);
    expect(day.stations[1]!.rows[0]!.goesOn).to.equal(true);
    expect(dayPaper(followed(batches), '2026-10-26').stations.map(({ station }) => station)).to.deep.equal([
      'inspection',
    ]);
    expect(() => dayPaper(followed(batches), '2027-01-01')).to.throw('not planned');
    const pdf = (await dayPaperPdf(day, { ...USUAL_WRITING, zone: LISBON }, 'a4')).toString('latin1');
    expect(pdf.match(/\/Type \/Page\b/g)).to.have.length(2);
  });
});

describe('What of the plan is to come today', () => {
  it('is said with who is there, breaks, and hands from now to midnight by the shop’s clock', () => {
    const { shop, picture, ...rest } = followed([
      op('over', { phases: [{ from: 560, to: 580, people: 100 }] }),
      op('next', { machine: null, phases: [{ from: 640, to: 650, people: 100 }] }),
      op('alone', { phases: [{ from: 660, to: 700, people: 0 }] }),
      op('tomorrow', { job: 'other', phases: [{ from: 1500 + 540, to: 1500 + 550, people: 100 }] }),
      op('more of it', { phases: [{ from: 650, to: 655, people: 100 }] }),
    ]);
    const load: [number, number, number][] = [[560, 580, 100], [640, 650, 100], [650, 655, 100]]; // prettier-ignore
    const lunch = { ...shop.calendar, breaks: [{ fromMin: 720, toMin: 750 }] };
    const own = planComing(
      { ...rest, picture: { ...picture, load }, shop: { ...shop, calendar: lunch } },
      EPOCH + 600 * 60_000,
    );
    // the clock goes back at two: nine by the clock is ten hours after midnight
    expect(own.shift).to.deep.equal({ from: 600, to: 1080 });
    expect(own.breaks).to.deep.equal([{ from: 780, to: 810 }]);
    expect(own).to.include({ epoch: '2026-10-24T23:00:00.000Z', zone: LISBON });
    expect(own.busy).to.deep.equal([{ from: 640, to: 655 }]);
    expect(own.hands).to.deep.equal([
      {
        ...{ from: 640, to: 650, codes: ['K-212'], title: 'Press, twice; hot' },
        ...{ station: 'press', lineId: 'line', runId: 'run' },
      },
    ]);
  });
});
