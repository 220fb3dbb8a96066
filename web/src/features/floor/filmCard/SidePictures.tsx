import { t } from '../../../words/index.ts';
import { Picture, Pictures } from './Picture.tsx';

const FIELD = { width: 100, height: 56 };
const FINGER = 'M62 -4c10 8 8 22 -2 30c-7 5 -14 2 -13 -5c2 -10 6 -18 9 -25Z';

/** How a damp finger tells the sides of film apart. */
export const SidePictures = () => (
  <Pictures label={t('Which side is coated')}>
    <Picture name={t('Coated side: up')} says={t('a damp finger clouds it')} isWanted field={FIELD}>
      <rect {...FIELD} fill="var(--hairline)" />
      <ellipse cx="50" cy="32" rx="22" ry="13" fill="#fff" />
      <path d={FINGER} fill="var(--edge)" />
    </Picture>
    <Picture name={t('Bare side')} says={t('stays clear, shines')} isWanted={false} field={FIELD}>
      <rect {...FIELD} fill="var(--hairline)" />
      <path d="M8 50L40 6M20 54L52 10" stroke="#fff" strokeWidth="3" />
      <path d={FINGER} fill="var(--edge)" />
    </Picture>
  </Pictures>
);
