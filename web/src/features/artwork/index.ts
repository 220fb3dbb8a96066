export { ArtworkView } from './ArtworkView.tsx';
