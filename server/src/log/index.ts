export { createLog } from './createLog.ts';
export { requestLog, withoutValues } from './requestLog.ts';
