export { createLiveStream } from './liveStream.ts';
export type { LiveStream } from './liveStream.ts';
