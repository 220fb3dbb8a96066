export { RouteView } from './RouteView.tsx';
export { STATION_NAMES } from './stationNames.ts';
