export { RouteView } from './RouteView.tsx';
