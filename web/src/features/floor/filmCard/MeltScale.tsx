import { t } from '../../../words/index.ts';
import { strewn } from './drawing.ts';
import { Picture, Pictures } from './Picture.tsx';

/** How far powder has melted, as it is seen: grains, how clear they are, and what of the skin shines. */
interface Stage {
  name: string;
  says: string;
  /** Grains that still stand, and how white they are. */
  grains: number;
  white: number;
  /** The skin shines in ripples, like an orange’s. */
  isGlossy: boolean;
  /** Brown at the rim: too long or too hot. */
  isBurnt: boolean;
}

const STAGES: readonly Stage[] = [
  {
    name: t('Powdered'),
    says: t('white, dull grains'),
    grains: 90,
    white: 1,
    isGlossy: false,
    isBurnt: false,
  },
  { name: t('Sintering'), says: t('grains run together'), grains: 55, white: 0.7, isGlossy: false, isBurnt: false }, // prettier-ignore
  { name: t('Light cure'), says: t('clear, a trace of grain'), grains: 22, white: 0.35, isGlossy: true, isBurnt: false }, // prettier-ignore
  {
    name: t('Full fuse'),
    says: t('glossy orange-peel'),
    grains: 0,
    white: 0,
    isGlossy: true,
    isBurnt: false,
  },
  {
    name: t('Too far'),
    says: t('sunk, brown at the rim'),
    grains: 0,
    white: 0,
    isGlossy: false,
    isBurnt: true,
  },
];
const FIELD = { width: 100, height: 56 };

/** From grainy to glossy to burnt: where it is taken out is marked. */
export function MeltScale({ isFull }: { isFull: boolean }) {
  const end = isFull ? 3 : 2;
  return (
    <Pictures label={t('How far it is melted')}>
      {STAGES.map((stage, i) => (
        <Picture
          key={stage.name}
          name={i === end ? t('{stage}: take it out', { stage: stage.name }) : stage.name}
          says={stage.says}
          isWanted={i === end}
          field={FIELD}
        >
          <Melted {...stage} />
        </Picture>
      ))}
    </Pictures>
  );
}

function Melted({ grains, white, isGlossy, isBurnt }: Stage) {
  return (
    <>
      <rect {...FIELD} fill="var(--ink)" opacity="0.85" />
      {isBurnt && (
        <rect x="3" y="3" width="94" height="50" fill="none" stroke="#8a5a2b" strokeWidth="7" opacity="0.9" />
      )}
      {isGlossy &&
        strewn(34, FIELD, 4).map(({ x, y, r }, i) => (
          <path
            key={i}
            d={`M${x - r} ${y}a${r} ${r} 0 0 1 ${2 * r} 0`}
            fill="none"
            stroke="#fff"
            strokeWidth="0.9"
            opacity={grains > 0 ? 0.35 : 0.75}
          />
        ))}
      {strewn(grains, FIELD, 2.6).map(({ x, y, r }, i) => (
        <circle key={i} cx={x} cy={y} r={r} fill="#fff" opacity={white} />
      ))}
    </>
  );
}
