/** Faults a person can see, in the print room's words, with the cause to look at first. */
export const FAULTS: Record<
  string,
  { name: string; firstCause: string; processes: readonly ('dtf' | 'dtg')[] }
> = {
  'white-rim': { name: 'white rim', firstCause: 'choke too small', processes: ['dtf', 'dtg'] },
  'powder-on-film': { name: 'powder on bare film', firstCause: 'humid room', processes: ['dtf'] },
  'lifts-on-peel': { name: 'lifts on peel', firstCause: 'peeled too hot for this film', processes: ['dtf'] },
  'edges-lift': { name: 'edges lift', firstCause: 'no second press', processes: ['dtf'] },
  'dull-white': { name: 'dull or fuzzy white', firstCause: 'too little pretreatment', processes: ['dtg'] },
  'stain-box': { name: 'stain box, stiff hand', firstCause: 'too much pretreatment', processes: ['dtg'] },
  'ink-on-back': { name: 'ink on the back', firstCause: 'thin knit loaded double', processes: ['dtg'] },
  scorch: {
    name: 'scorch, shine or platen mark',
    firstCause: 'too hot or hard for the fibre',
    processes: ['dtf', 'dtg'],
  },
  'dye-bleed': {
    name: 'garment colour in the white',
    firstCause: 'polyester too hot or too long',
    processes: ['dtf', 'dtg'],
  },
  misplaced: {
    name: 'in the wrong place',
    firstCause: 'not centred on the platen',
    processes: ['dtf', 'dtg'],
  },
  'reads-backwards': {
    name: 'reads backwards',
    firstCause: 'mirrored twice or not at all',
    processes: ['dtf'],
  },
  banding: { name: 'lines or banding', firstCause: 'nozzles', processes: ['dtf', 'dtg'] },
  gritty: { name: 'gritty back', firstCause: 'powder under-cured', processes: ['dtf'] },
  'cold-corner': {
    name: 'one corner fails',
    firstCause: 'cold spot, or a seam under the pad',
    processes: ['dtf', 'dtg'],
  },
};
