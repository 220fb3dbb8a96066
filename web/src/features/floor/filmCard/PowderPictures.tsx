import { t } from '../../../words/index.ts';
import { strewn } from './drawing.ts';
import { Picture, Pictures } from './Picture.tsx';

const FIELD = { width: 100, height: 56 };
const SHAPE = 'M14 44L34 10L54 44Z';

/** What powder should look like, and what it must not. */
export const PowderPictures = () => (
  <Pictures label={t('How it is powdered')}>
    <Picture name={t('As it should be')} says={t('only the ink holds powder')} isWanted field={FIELD}>
      <Film />
      <Powder />
    </Picture>
    <Picture name={t('Stray grains')} says={t('flick again, brush off')} isWanted={false} field={FIELD}>
      <Film />
      <Powder />
      {strewn(26, FIELD, 1.1).map(({ x, y, r }, i) => (
        <circle key={i} cx={x} cy={y} r={r} fill="#fff" stroke="var(--edge)" strokeWidth="0.4" />
      ))}
    </Picture>
    <Picture name={t('Bare ink')} says={t('tilt until it is coated')} isWanted={false} field={FIELD}>
      <Film />
      <Powder bare />
    </Picture>
  </Pictures>
);

const Film = () => (
  <>
    <rect {...FIELD} fill="var(--edge)" opacity="0.75" />
    <path d={SHAPE} fill="var(--brine)" />
    <circle cx="76" cy="27" r="14" fill="var(--brine)" />
  </>
);

/** Powder on the ink: a white coat with its grain; with a bare patch where it was not tilted over. */
const Powder = ({ bare = false }: { bare?: boolean }) => (
  <g fill="#fff">
    <path d={SHAPE} opacity="0.94" />
    {bare ? (
      <path d="M66 17A14 14 0 0 0 66 37Z" opacity="0.94" />
    ) : (
      <circle cx="76" cy="27" r="14" opacity="0.94" />
    )}
  </g>
);
