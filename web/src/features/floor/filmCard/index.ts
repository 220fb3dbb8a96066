export { FilmCard } from './FilmCard.tsx';
