export { BenchNoteService } from './benchNoteService.ts';
export { PressCheckStore } from './pressCheckStore.ts';
export { PressCheckService } from './pressCheckService.ts';
export { PressKnowledge } from './pressKnowledge.ts';
export { benchEndpoints, pressEndpoints } from './pressEndpoints.ts';
