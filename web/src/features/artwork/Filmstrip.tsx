import { t } from '../../words/index.ts';
import type { LinePrint, OrderLine } from '@saltflat/contract';
import { PLACEMENTS } from '@saltflat/contract/placements';
import { RowLink, TOKENS, styled } from '../../ui/index.ts';

interface Shot {
  line: OrderLine;
  print: LinePrint;
}

/** The prints of one order, those on the same garment first: front, back, sleeve. */
export function Filmstrip({ lines, current }: { lines: readonly OrderLine[]; current: Shot }) {
  const own = lines.find(({ id }) => id === current.line.id) ?? current.line;
  const frames = [own, ...lines.filter((line) => line !== own)].flatMap((line): Shot[] =>
    line.prints.map((print) => ({ line, print })),
  );
  if (frames.length < 2) return null;
  return (
    <Strip aria-label={t('Artworks of this order')}>
      {frames.map(({ line, print }) => (
        <Frame
          key={`${line.id}/${print.id}`}
          to={`/artwork/${line.id}?print=${print.id}`}
          aria-current={line.id === current.line.id && print.id === current.print.id ? 'page' : undefined}
        >
          <span className="film-thumb" style={{ background: line.colour.hex }}>
            {print.artwork && <img src={`/api/v1/artworks/${print.artwork.id}/thumbnail`} alt="" />}
          </span>
          <span>
            <span className="code">{line.code}</span> {PLACEMENTS[print.placement].label}
            <span className="muted small" style={{ display: 'block' }}>
              {line === own ? t('same garment') : `${line.colour.name} ${line.styleName}`}
              {print.artwork === null && t(', no artwork yet')}
            </span>
          </span>
        </Frame>
      ))}
    </Strip>
  );
}

const Strip = styled('nav')({ display: 'flex', gap: 8, paddingTop: 12, overflowX: 'auto' });
const Frame = styled(RowLink)({
  flex: 'none',
  flexWrap: 'nowrap',
  padding: '6px 12px 6px 6px',
  border: `1px solid ${TOKENS.hairline}`,
  borderRadius: 4,
  background: TOKENS.surface,
  '&[aria-current="page"]': { borderColor: TOKENS.brine, boxShadow: `inset 0 0 0 1px ${TOKENS.brine}` },
});
