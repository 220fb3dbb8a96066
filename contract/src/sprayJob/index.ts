export { dotted } from './parts.ts';
export type { SprayWarning } from './parts.ts';
export { readSprayJob, sprayBatch } from './readSprayJob.ts';
export type { SprayJob } from './readSprayJob.ts';
