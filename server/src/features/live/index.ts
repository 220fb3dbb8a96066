export { createLiveStream } from './liveStream.ts';
