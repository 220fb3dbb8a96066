import { rich, t } from '../../words/index.ts';
import type { Artwork } from '@saltflat/contract';
import { problemMessage } from '../../api/problemMessage.ts';
import { ArtThumb } from './ArtThumb.tsx';
import { useUploadArtworkMutation } from './ordersApi.ts';
import { FileDrop, Note, Stack } from '../../ui/index.ts';

interface Props {
  artwork: Artwork | null;
  colourHex: string;
  label: string;
  /** The art as it is made ready, where it is; the file as it came is shown without. */
  picture?: React.ReactNode;
  onChange: (artwork: Artwork | null) => void;
  /** Several at once: somebody is asked what they are to be. */
  onSeveral: (files: File[]) => void;
}

/** Kinds of files that are printed, with their endings. */
export const ART_FILES = {
  'image/png': ['.png'],
  'image/jpeg': ['.jpg', '.jpeg'],
  'image/tiff': ['.tif', '.tiff'],
  'image/svg+xml': ['.svg'],
};

/** Side of the square the art is shown in. */
export const THUMB_PX = 150;

/** Takes in an artwork by drop, by click or by keyboard, and shows it on the garment's colour. */
export function ArtDrop({ artwork, colourHex, label, picture, onChange, onSeveral }: Props) {
  const [upload, { isLoading, error }] = useUploadArtworkMutation();
  const take = async (files: File[]): Promise<void> => {
    const [file] = files;
    if (!file) return;
    if (files.length > 1) {
      onSeveral(files);
      return;
    }
    const answer = await upload(file);
    if (answer.data) onChange(answer.data);
  };
  return (
    <Stack gap={6}>
      <FileDrop
        label={label}
        accept={ART_FILES}
        isMany
        acceptWords="PNG, JPEG, TIFF or SVG"
        words={artwork ? t('Replace the file') : t('Choose a file')}
        isEmpty={artwork === null}
        isBusy={isLoading}
        problem={error ? problemMessage(error) : ''}
        onFiles={(files) => void take(files)}
      >
        {artwork ? (
          <>
            {picture ?? (
              <ArtThumb artworkId={artwork.id} colourHex={colourHex} size={THUMB_PX} alt={artwork.name} />
            )}
            <div style={{ overflowWrap: 'anywhere' }}>
              {artwork.name}
              <div className="muted small">
                {rich('{widthPx} × {heightPx} px', { widthPx: artwork.widthPx, heightPx: artwork.heightPx })}
              </div>
            </div>
          </>
        ) : (
          <p className="muted">
            {isLoading
              ? t('Reading the file …')
              : t('Drop or paste the artwork here: PNG, JPEG, TIFF or SVG. Several become lines or prints.')}
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
