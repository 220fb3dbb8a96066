export { wishOf, wishedIn } from './wish.ts';
export { RouteView } from './RouteView.tsx';
