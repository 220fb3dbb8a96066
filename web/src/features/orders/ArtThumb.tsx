import { t } from '../../words/index.ts';
interface Props {
  artworkId: string | null;
  colourHex: string;
  size: number;
  alt: string;
}

/** A small picture of the art on its garment's colour. */
export function ArtThumb({ artworkId, colourHex, size, alt }: Props) {
  const style = {
    width: size,
    height: size,
    background: colourHex,
    border: '1px solid var(--hairline)',
    borderRadius: 4,
    display: 'grid',
    placeItems: 'center',
    flex: 'none',
  };
  if (artworkId === null) {
    return (
      <div style={{ ...style, background: 'var(--surface)', borderStyle: 'dashed' }} className="small muted">
        {t('no art')}
      </div>
    );
  }
  return (
    <div style={style}>
      <img
        src={`/api/v1/artworks/${artworkId}/thumbnail`}
        alt={alt}
        style={{ width: 0.86 * size, height: 0.86 * size, objectFit: 'contain' }}
      />
    </div>
  );
}
