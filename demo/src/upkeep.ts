/** What the made-up shop noted on its machines, by the machine’s name; days before now. */
export const DEMO_UPKEEP: readonly { machine: string; task: string; daysAgo: number; isSkipped?: boolean }[] =
  [
    { machine: 'Film printer', task: 'wipe-heads', daysAgo: 0.3 },
    { machine: 'Film printer', task: 'caps', daysAgo: 3 },
    { machine: 'Film printer', task: 'strip', daysAgo: 26 },
    { machine: 'Film printer', task: 'waste', daysAgo: 40 },
    { machine: 'Direct printer', task: 'wipe-heads', daysAgo: 2 },
    { machine: 'Direct printer', task: 'caps', daysAgo: 9, isSkipped: true },
    { machine: 'Direct printer', task: 'waste', daysAgo: 12 },
    { machine: 'Press A', task: 'wipe-plate', daysAgo: 0.4 },
    { machine: 'Press A', task: 'hinges', daysAgo: 44 },
    { machine: 'Spray box', task: 'rinse', daysAgo: 0.4 },
    { machine: 'Spray box', task: 'soak', daysAgo: 6 },
  ];

/** Checks of its direct printer before the first prints of a shift: nozzles missing one by one, and more of late. */
export const DEMO_PRINT_STARTS: readonly {
  machine: string;
  daysAgo: number;
  white: readonly number[];
  cleanings: number;
}[] = [
  { machine: 'Direct printer', daysAgo: 7, white: [], cleanings: 0 },
  { machine: 'Direct printer', daysAgo: 6, white: [], cleanings: 1 },
  { machine: 'Direct printer', daysAgo: 5, white: [31], cleanings: 0 },
  { machine: 'Direct printer', daysAgo: 2, white: [31], cleanings: 1 },
  { machine: 'Direct printer', daysAgo: 1, white: [31, 44], cleanings: 2 },
];
