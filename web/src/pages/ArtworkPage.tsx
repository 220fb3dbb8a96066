import { equipmentOf, garmentOf } from '@saltflat/contract/equipment';
import { PROCESS_NAMES, artJobFor } from '@saltflat/core/route';
import Snackbar from '@mui/material/Snackbar';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { useLineQuery, useReplanMutation, useRouteVersionsQuery } from '../api/linesApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { ArtworkView } from '../features/artwork/index.ts';
import { LinePicker } from '../features/orders/index.ts';
import { usePerson } from '../person/personSlice.ts';
import { Loading, Notice } from '../ui/Notice.tsx';

/** Getting the file right, for one line. */
export function ArtworkPage() {
  const { lineId } = useParams();
  if (lineId) return <LineArtwork key={lineId} lineId={lineId} />;
  return (
    <>
      <div className="page-head">
        <h1>Artwork</h1>
        <span className="muted">Choose a line to see its art on the garment.</span>
      </div>
      <LinePicker to={(id) => `/artwork/${id}`} what="artwork" />
    </>
  );
}

function LineArtwork({ lineId }: { lineId: string }) {
  const { data, error } = useLineQuery(lineId);
  const { data: catalogue } = useCatalogueQuery();
  const { data: versions } = useRouteVersionsQuery(lineId);
  const [replan] = useReplanMutation();
  const who = usePerson().trim() || 'not named';
  const [told, setTold] = useState('');
  if (error) return <Notice title="This line cannot be shown">{problemMessage(error)}</Notice>;
  if (!data || !catalogue || !versions) return <Loading what="the artwork" />;
  const { line, customer, orderId } = data;
  const style = catalogue.styles.find(({ id }) => id === line.styleId);
  if (!line.artwork || !style) {
    return (
      <Notice title={`${line.code} has no artwork yet`}>
        <Link to={`/orders/${orderId}/edit`}>Open the order</Link> and drop the file there.
      </Notice>
    );
  }
  const [latest] = versions;
  const inkSet = equipmentOf(catalogue).inkSets[line.process];
  const job = artJobFor(
    { process: line.process, garment: garmentOf(style, line.colour), widthMm: line.widthMm, inkSet },
    latest?.overrides ?? [],
  );
  const isOpen = latest !== undefined && line.state === 'ready';
  const printing = line.process === 'dtf' ? 'print-film' : 'print';
  const keep = async (setting: string, value: number): Promise<void> => {
    if (!latest) return;
    const others = latest.overrides.filter((own) => !(own.operation === printing && own.setting === setting));
    const answer = await replan({
      lineId,
      basedOn: latest.number,
      overrides: [...others, { operation: printing, setting, value, who, why: 'tried on the artwork' }],
    });
    setTold(
      answer.error ? problemMessage(answer.error) : `Kept in the route as version ${answer.data.number}.`,
    );
  };
  return (
    <>
      <div className="page-head">
        <h1>
          <span className="code">{line.code}</span> {line.artwork.name}
        </h1>
        <span className="muted">
          {customer}, {line.colour.name} {line.styleName}, {PROCESS_NAMES[line.process]}
        </span>
        <span className="spacer" />
        <Link to={`/orders/${orderId}`}>Order</Link>
        {latest && <Link to={`/route/${lineId}`}>Route</Link>}
      </div>
      <ArtworkView
        key={latest?.number}
        artworkId={line.artwork.id}
        name={line.artwork.name}
        size={{ width: line.artwork.widthPx, height: line.artwork.heightPx }}
        job={job}
        onKeep={isOpen ? (setting, value) => void keep(setting, value) : null}
      />
      <Snackbar open={told !== ''} autoHideDuration={8000} onClose={() => setTold('')} message={told} />
    </>
  );
}
