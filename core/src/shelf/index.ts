export { CURES, USUAL_KEEPS_DAYS, ageOf } from './age.ts';
export type { Cure, PacketAge } from './age.ts';
export { standingOf } from './standing.ts';
export type { PacketAccount, PacketMove, PacketStanding, PacketUse } from './standing.ts';
export { takeOldest } from './takeOldest.ts';
export type { StandingPacket, TakenFrom } from './takeOldest.ts';
export { withStock } from './withStock.ts';
