import type { Artwork } from '@saltflat/contract';
import Button from '@mui/material/Button';
import { useDropzone } from 'react-dropzone';
import { problemMessage } from '../../api/problemMessage.ts';
import { ArtThumb } from './ArtThumb.tsx';
import { useUploadArtworkMutation } from './ordersApi.ts';

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
  const { getRootProps, getInputProps, isDragActive, open, fileRejections } = useDropzone({
    onDrop: (files) => void take(files),
    accept: ACCEPT,
    multiple: false,
    noClick: artwork !== null,
    noKeyboard: true,
  });
  const refusal = error
    ? problemMessage(error)
    : fileRejections[0]
      ? `“${fileRejections[0].file.name}” is not a PNG, JPEG, TIFF or SVG file.`
      : '';
  return (
    <div>
      <div
        {...getRootProps()}
        style={{
          border: `1px dashed ${isDragActive ? 'var(--brine)' : '#8AA0A7'}`,
          background: isDragActive ? 'var(--brine-pale)' : 'var(--surface)',
          borderRadius: 4,
          padding: 12,
          minHeight: 200,
          display: 'grid',
          placeItems: 'center',
          gap: 8,
          textAlign: 'center',
        }}
      >
        <input {...getInputProps({ 'aria-label': label })} />
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
        <Button variant="outlined" size="small" onClick={open} disabled={isLoading}>
          {artwork ? 'Replace the file' : 'Choose a file'}
        </Button>
      </div>
      {refusal !== '' && (
        <p className="field-problem" role="alert">
          {refusal}
        </p>
      )}
      {artwork?.readingNotes.map((note) => (
        <p key={note} className="caution small" style={{ marginTop: 6 }}>
          {note}
        </p>
      ))}
    </div>
  );
}
