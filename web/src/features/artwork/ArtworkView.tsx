import type { ArtFigures, ArtJob, Finding } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import Button from '@mui/material/Button';
import { useDeferredValue, useEffect, useState } from 'react';
import { Notice } from '../../ui/Notice.tsx';
import { useUnits } from '../../units/unitsSlice.ts';
import type { ArtLayer } from '../../worker/artwork.worker.ts';
import { ArtCanvas } from './ArtCanvas.tsx';
import { FigureTable } from './FigureTable.tsx';
import { Findings } from './Findings.tsx';
import { useArtwork } from './useArtwork.ts';
import './artwork.css';

const LAYERS: { layer: ArtLayer; key: string; name: string }[] = [
  { layer: 'art', key: 'a', name: 'Art' },
  { layer: 'composite', key: 'c', name: 'On the garment' },
  { layer: 'white', key: 'w', name: 'White' },
];

interface Props {
  artworkId: string;
  name: string;
  /** Of the whole image, px. */
  size: { width: number; height: number };
  /** How it is to be printed, as the line's route says. */
  job: ArtJob;
  /** Offers to keep white settings tried here; `null` where the route is closed. */
  onKeep: ((setting: 'chokeMm' | 'whiteDensity', value: number) => void) | null;
}

/** The file as it will be on the garment: picture on the left, what is to be said about it on the right. */
export function ArtworkView({ artworkId, name, size, job, onKeep }: Props) {
  const system = useUnits();
  const [layer, setLayer] = useState<ArtLayer>('composite');
  const [chokeMm, setChokeMm] = useState(job.underbase?.chokeMm ?? 0);
  const [density, setDensity] = useState(job.underbase?.density ?? 1);
  const [marked, setMarked] = useState<Finding['at'] | null>(null);
  const tried = useDeferredValue(
    job.process === 'dtg-light' ? job : { ...job, underbase: { ...job.underbase, chokeMm, density } },
  );
  const picture = useArtwork(artworkId, tried, layer);
  useLayerKeys(setLayer);

  if (picture.status === 'failed')
    return <Notice title="The artwork cannot be shown">{picture.reason}</Notice>;
  return (
    <div className="artwork-view">
      <section className="panel art-stage" aria-label="Picture">
        <header>
          <div role="group" aria-label="Layers" className="row" style={{ gap: 4 }}>
            {LAYERS.map((one) => (
              <Button
                key={one.layer}
                size="small"
                variant={layer === one.layer ? 'contained' : 'outlined'}
                aria-pressed={layer === one.layer}
                onClick={() => setLayer(one.layer)}
              >
                {one.name} <kbd>{one.key}</kbd>
              </Button>
            ))}
          </div>
          <span className="muted small" role="status">
            {picture.status === 'reading'
              ? 'Reading the pixels …'
              : picture.isStale
                ? 'Measuring every pixel …'
                : `Printed ${formatQuantity(job.widthMm, 'length', system)} wide`}
          </span>
        </header>
        <div className="art-frame" style={{ background: job.garmentHex }}>
          {picture.status === 'shown' && (
            <ArtCanvas
              bitmap={picture.bitmap}
              image={size}
              widthMm={job.widthMm}
              garmentHex={job.garmentHex}
              system={system}
              marked={marked ?? null}
              label={`${name} on the garment's colour; plus and minus zoom, arrows move, 0 fits`}
            />
          )}
        </div>
      </section>
      <div className="stack">
        <section className="panel" aria-label="Findings">
          <header>
            <h2>Findings</h2>
          </header>
          {picture.status === 'shown' && picture.figures ? (
            <Findings
              findings={picture.figures.findings}
              system={system}
              onPoint={({ at }) => setMarked(at ?? null)}
            />
          ) : (
            <p className="empty">Measuring …</p>
          )}
        </section>
        {job.process !== 'dtg-light' && (
          <WhiteKnobs
            chokeMm={chokeMm}
            density={density}
            start={job}
            isFilm={job.process === 'dtf'}
            onChoke={setChokeMm}
            onDensity={setDensity}
            onKeep={onKeep}
          />
        )}
        <section className="panel" aria-label="Figures">
          <header>
            <h2>One print uses</h2>
          </header>
          {picture.status === 'shown' && picture.figures && (
            <Figures figures={picture.figures} isStale={picture.isStale} system={system} />
          )}
        </section>
      </div>
    </div>
  );
}

function Figures({
  figures,
  isStale,
  system,
}: {
  figures: ArtFigures;
  isStale: boolean;
  system: ReturnType<typeof useUnits>;
}) {
  return (
    <div style={{ opacity: isStale ? 0.75 : 1 }} aria-busy={isStale}>
      <FigureTable figures={figures} system={system} />
    </div>
  );
}

interface KnobProps {
  chokeMm: number;
  density: number;
  start: ArtJob;
  isFilm: boolean;
  onChoke: (value: number) => void;
  onDensity: (value: number) => void;
  onKeep: Props['onKeep'];
}

function WhiteKnobs({ chokeMm, density, start, isFilm, onChoke, onDensity, onKeep }: KnobProps) {
  const system = useUnits();
  const isChokeNew = Math.abs(chokeMm - (start.underbase?.chokeMm ?? 0)) > 1e-6;
  const isDensityNew = isFilm && Math.abs(density - (start.underbase?.density ?? 1)) > 1e-6;
  return (
    <section className="panel" aria-label="White underbase">
      <header>
        <h2>White underbase</h2>
      </header>
      <div className="stack" style={{ padding: 16 }}>
        <label>
          Choke <strong>{formatQuantity(chokeMm, 'length', system, system.length === 'mm' ? 2 : 3)}</strong>
          <input
            type="range"
            min="0"
            max="0.6"
            step="0.01"
            value={chokeMm}
            onChange={(event) => onChoke(Number(event.target.value))}
          />
          <span className="muted small">
            White stays this far inside the colour, so that no white rim shows.
          </span>
        </label>
        {isFilm && (
          <label>
            Density <strong>{formatQuantity(density, 'share')}</strong>
            <input
              type="range"
              min="0.3"
              max="1"
              step="0.01"
              value={density}
              onChange={(event) => onDensity(Number(event.target.value))}
            />
            <span className="muted small">More hides better; less feels lighter and dries sooner.</span>
          </label>
        )}
        {onKeep && (isChokeNew || isDensityNew) && (
          <div className="row">
            {isChokeNew && (
              <Button size="small" variant="contained" onClick={() => onKeep('chokeMm', chokeMm)}>
                Keep this choke in the route
              </Button>
            )}
            {isDensityNew && (
              <Button size="small" variant="contained" onClick={() => onKeep('whiteDensity', density)}>
                Keep this density in the route
              </Button>
            )}
          </div>
        )}
      </div>
    </section>
  );
}

/** One key per layer, unless a field is being typed in. */
function useLayerKeys(setLayer: (layer: ArtLayer) => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      const found = LAYERS.find(({ key }) => key === event.key);
      if (found) setLayer(found.layer);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [setLayer]);
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;
