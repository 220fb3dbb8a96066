/** What can hurt, said once and plainly; the maker's safety sheet and local rules stand above it. */
export const CAUTIONS = {
  hotPlate: 'The plate burns and the press crushes: hands out before it closes.',
  hotOven: 'Oven and tray burn: heat gloves. An oven used for curing never goes back to food.',
  hotGriddle: 'The griddle burns: heat gloves. One used for curing never goes back to food.',
  hotIron: 'The iron burns: set it down only on its stand.',
  fumes: 'Heated adhesive and pretreatment give off vapour: extraction on, follow the safety sheet.',
  steam: 'Steam comes out sideways when the press opens: stand back.',
  dust: 'Fine dust: mask, gloves and eye protection, no open flame. Sweep it damp. See the maker’s safety sheet.',
  irritant: 'Pretreatment irritates skin and eyes: gloves and glasses. See the maker’s safety sheet.',
  headStrike: 'A wrinkle or a platen set too high hits the print head: check the clearance first.',
  blade: 'Cut away from the hand that holds the film.',
  alcohol: 'Alcohol near heat burns: let it dry off before the film is heated.',
  hotFilm: 'Film straight from the press is hot: gloves or a corner to hold it by.',
} as const;
