export { ClearDemo } from './ClearDemo.tsx';
export { FirstRun } from './FirstRun.tsx';
export { useBeginningsQuery, useClearDemoMutation, useFillDemoMutation } from './beginningsApi.ts';
