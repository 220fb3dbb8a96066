import { rich, t } from '../words/index.ts';
import type { Catalogue, LinePrint, OrderLine, SettingOverride } from '@saltflat/contract';
import { equipmentOf, garmentOf } from '@saltflat/contract/equipment';
import { PLACEMENTS } from '@saltflat/contract/placements';
import { PROCESS_NAMES, artJobFor } from '@saltflat/core/route';
import { useMemo } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { useLineQuery, usePrepareMutation, useRouteVersionsQuery } from '../api/linesApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { useAttempt } from '../api/useAttempt.ts';
import {
  ArtworkView,
  Filmstrip,
  pricesOf,
  useReplaceArtworkMutation,
  withWhite,
} from '../features/artwork/index.ts';
import type { ArtDraft } from '../features/artwork/index.ts';
import { LinePicker, useOrderQuery, useUploadArtworkMutation } from '../features/orders/index.ts';
import { useSignature } from '../person/personSlice.ts';
import { Empty, Failed, FileButton, Loading, Note, PageHead, Refusal, useToast } from '../ui/index.ts';

/** Getting the file right, for one line. */
export function ArtworkPage() {
  const { lineId } = useParams();
  if (lineId) return <LineArtwork key={lineId} lineId={lineId} />;
  return (
    <>
      <PageHead title={t('Artwork')} says={t('Choose a line to see its art on the garment.')} />
      <LinePicker to={(id) => `/artwork/${id}`} what={t('artwork')} />
    </>
  );
}

function LineArtwork({ lineId }: { lineId: string }) {
  const { data, error: noLine, refetch: askLine } = useLineQuery(lineId);
  const { data: catalogue, error: noCatalogue, refetch: askCatalogue } = useCatalogueQuery();
  const { data: versions, error: noVersions, refetch: askVersions } = useRouteVersionsQuery(lineId);
  const { data: order } = useOrderQuery(data?.orderId ?? '', { skip: !data });
  const [params] = useSearchParams();
  const error = noLine ?? noCatalogue ?? noVersions;
  const again = (): void => {
    if (noLine) void askLine();
    if (noCatalogue) void askCatalogue();
    if (noVersions) void askVersions();
  };
  if (error)
    return (
      <Failed title={t('This line cannot be shown')} onRetry={again}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data || !catalogue || !versions) return <Loading what={t('the artwork')} />;
  const { line, customer, orderId } = data;
  const wished = params.get('print');
  const print =
    line.prints.find(({ id }) => id === wished) ??
    line.prints.find(({ artwork }) => artwork) ??
    line.prints[0];
  if (!print?.artwork) {
    return (
      <>
        <Empty title={t('{line} has no artwork yet', { line: nameOf(line, print) })}>
          {rich('{link} and drop the file there.', {
            link: <Link to={`/orders/${orderId}/edit`}>{t('Open the order')}</Link>,
          })}
        </Empty>
        {print && <Filmstrip lines={order?.lines ?? [line]} current={{ line, print }} />}
      </>
    );
  }
  return (
    <Desk
      key={print.id}
      {...{ line, print, customer, orderId, catalogue }}
      lines={order?.lines ?? [line]}
      route={versions[0] ?? null}
    />
  );
}

/** A print of a line; the line alone where it has one. */
const nameOf = ({ code, prints }: OrderLine, print: LinePrint | undefined): string =>
  print && prints.length > 1 ? `${code}, ${t(PLACEMENTS[print.placement].label).toLowerCase()},` : code;

/** Planned, or tried to be, and not on the floor yet. */
const CAN_BE_MENDED: readonly OrderLine['state'][] = ['failed', 'art-to-mend', 'ready'];

interface DeskProps {
  line: OrderLine;
  print: LinePrint;
  lines: readonly OrderLine[];
  customer: string;
  orderId: string;
  catalogue: Catalogue;
  route: { number: number; overrides: SettingOverride[] } | null;
}

const NO_OVERRIDES: SettingOverride[] = [];

function Desk({ line, print, lines, customer, orderId, catalogue, route }: DeskProps) {
  const [prepare] = usePrepareMutation();
  const by = useSignature();
  const attempt = useAttempt();
  const tell = useToast();
  const style = catalogue.styles.find(({ id }) => id === line.styleId);
  const equipment = useMemo(() => equipmentOf(catalogue), [catalogue]);
  const overrides = route?.overrides ?? NO_OVERRIDES;
  const job = useMemo(
    () =>
      style &&
      artJobFor(
        {
          ...print,
          garment: garmentOf(style, line.colour),
          equipment,
        },
        overrides,
      ),
    [style, line, print, equipment, overrides],
  );
  if (!job || !print.artwork) return <Empty title={t('This garment is not in the shop’s list any more')} />;
  const keep = (draft: ArtDraft, basedOn: number | null, onKept: () => void): Promise<void> =>
    attempt.make(
      'keep',
      () =>
        prepare({
          lineId: line.id,
          print: print.id,
          steps: draft.steps,
          white: draft.white,
          widthMm: draft.widthMm,
          overrides: withWhite(overrides, draft, job, { print, who: by }),
          basedOn,
          by,
        }),
      ({ number }) => {
        onKept();
        tell({ words: t('Kept: {code} is now on route version {number}.', { code: line.code, number }) });
      },
    );
  const isOpen = CAN_BE_MENDED.includes(line.state);
  return (
    <>
      <PageHead
        title={
          <>
            <span className="code">{line.code}</span> {print.artwork.name}
          </>
        }
        says={
          <>
            {customer}, {line.colour.name} {line.styleName},{' '}
            {line.prints.length > 1 && `${t(PLACEMENTS[print.placement].label).toLowerCase()}, `}
            {t(PROCESS_NAMES[print.process])}
            {print.preparation && t(', version {number}', { number: print.preparation.number })}
          </>
        }
      >
        {isOpen && <ReplaceFile lineId={line.id} print={print.id} />}
        <Link to={`/orders/${orderId}`}>{t('Order')}</Link>
        {route && <Link to={`/route/${line.id}`}>{t('Route')}</Link>}
      </PageHead>
      <Refusal {...attempt.refusal('keep')} />
      {print.artwork.readingNotes.map((note) => (
        <Note tone="caution" isSmall key={note}>
          {note}
        </Note>
      ))}
      <ArtworkView
        key={print.artwork.id}
        {...{ line, print, lines, job, by }}
        basedOn={route?.number ?? null}
        prices={pricesOf(equipment, print.process, job.process)}
        onKeep={isOpen ? keep : null}
      />
    </>
  );
}

/** Another file for the print; the same content is recognised, and size and placement stay. */
function ReplaceFile({ lineId, print }: { lineId: string; print: string }) {
  const [upload] = useUploadArtworkMutation();
  const [replace] = useReplaceArtworkMutation();
  const attempt = useAttempt();
  const tell = useToast();
  const take = (file: File): void =>
    void attempt.make(
      'replace',
      async () => {
        const sent = await upload(file);
        if (sent.error) return { error: sent.error };
        const done = await replace({ lineId, print, artworkId: sent.data.id });
        return done.error ? { error: done.error } : { data: sent.data };
      },
      ({ name }) =>
        tell({
          words:
            name === file.name
              ? t('The file is replaced; size and placement stay.')
              : t(
                  'The file is replaced; size and placement stay. Its content is that of “{name}”, which was here already.',
                  { name },
                ),
        }),
    );
  return (
    <>
      <FileButton
        size="small"
        label={t('Another file for this print')}
        accept=".png,.jpg,.jpeg,.tif,.tiff,.svg"
        isBusy={attempt.isBusy('replace')}
        onFile={take}
      >
        {attempt.isBusy('replace') ? t('Reading …') : t('Replace the file')}
      </FileButton>
      <Refusal {...attempt.refusal('replace')} />
    </>
  );
}
