export { NOZZLES_EACH, NOZZLE_CHANNELS, judgeNozzles, stubbornNozzles } from './nozzleCheck.ts';
export type { MissingNozzles, NozzleChannel, NozzleVerdict } from './nozzleCheck.ts';
export { PRINTER_ITEMS, PRINT_ROOM, READY_ITEMS, isRoomGood, startStanding } from './printStart.ts';
export type { ReadyItem, StartStanding } from './printStart.ts';
export { upkeepCounts, upkeepDue } from './upkeepDue.ts';
export type { PieceCount, UpkeepCounts, UpkeepDue, UpkeepRecord, UpkeepStanding } from './upkeepDue.ts';
export { UPKEEP, isCaredFor, sheetTask, sheetTaskKey } from './upkeepTasks.ts';
export type { CaredFor, UpkeepTask, UpkeepUnit } from './upkeepTasks.ts';
