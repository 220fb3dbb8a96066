export { TodayView } from './TodayView.tsx';
export { useWorthKnowing } from './useWorthKnowing.ts';
