import type { Artwork } from '@saltflat/contract';
import { problemMessage } from '../../api/problemMessage.ts';
import { ArtThumb } from './ArtThumb.tsx';
import { useUploadArtworkMutation } from './ordersApi.ts';
import { FileDrop, Note, Stack } from '../../ui/index.ts';

interface Props {
  artwork: Artwork | null;
  colourHex: string;
  label: string;
  onChange: (artwork: Artwork | null) => void;
}

const ACCEPT = {
  'image/png': ['.png'],
  'image/jpeg': ['.jpg', '.jpeg'],
  'image/tiff': ['.tif', '.tiff'],
  'image/svg+xml': ['.svg'],
};

/** Takes in an artwork by drop, by click or by keyboard, and shows it on the garment's colour. */
export function ArtDrop({ artwork, colourHex, label, onChange }: Props) {
  const [upload, { isLoading, error }] = useUploadArtworkMutation();
  const take = async ([file]: File[]): Promise<void> => {
    if (!file) return;
    const answer = await upload(file);
    if (answer.data) onChange(answer.data);
  };
  return (
    <Stack gap={6}>
      <FileDrop
        label={label}
        accept={ACCEPT}
        acceptWords="PNG, JPEG, TIFF or SVG"
        words={artwork ? 'Replace the file' : 'Choose a file'}
        isEmpty={artwork === null}
        isBusy={isLoading}
        problem={error ? problemMessage(error) : ''}
        onFiles={(files) => void take(files)}
      >
        {artwork ? (
          <>
            <ArtThumb artworkId={artwork.id} colourHex={colourHex} size={150} alt={artwork.name} />
            <div style={{ overflowWrap: 'anywhere' }}>
              {artwork.name}
              <div className="muted small">
                {artwork.widthPx} × {artwork.heightPx} px
              </div>
            </div>
          </>
        ) : (
          <p className="muted">
            {isLoading ? 'Reading the file …' : 'Drop the artwork here: PNG, JPEG, TIFF or SVG'}
          </p>
        )}
      </FileDrop>
      {artwork?.readingNotes.map((note) => (
        <Note tone="caution" isSmall key={note}>
          {note}
        </Note>
      ))}
    </Stack>
  );
}
