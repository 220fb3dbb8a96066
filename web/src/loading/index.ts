export { LoadingCard } from './LoadingCard.tsx';
export { PrintFrame } from './PrintFrame.tsx';
