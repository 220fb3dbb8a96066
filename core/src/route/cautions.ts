import { say } from '../words/index.ts';

/** What can hurt, by where it comes from. */
export const CAUTIONS = {
  hotPlate: say('caution.hot-plate'),
  hotOven: say('caution.hot-oven'),
  hotTunnel: say('caution.hot-tunnel'),
  hotGriddle: say('caution.hot-griddle'),
  hotIron: say('caution.hot-iron'),
  fumes: say('caution.fumes'),
  steam: say('caution.steam'),
  dust: say('caution.dust'),
  irritant: say('caution.irritant'),
  mist: say('caution.mist'),
  headStrike: say('caution.head-strike'),
  blade: say('caution.blade'),
  alcohol: say('caution.alcohol'),
  hotFilm: say('caution.hot-film'),
} as const;
