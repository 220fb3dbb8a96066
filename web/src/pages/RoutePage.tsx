import { rich, t } from '../words/index.ts';
import type {
  LineDocument,
  OrderLine,
  ProvenLine,
  RouteVersion,
  SettingOverride,
  SourceChoice,
} from '@saltflat/contract';
import { promiseSlip } from '@saltflat/core/route';
import type { Route } from '@saltflat/core/route';
import { pressPlates } from '@saltflat/contract/pressPlates';
import { skipToken } from '@reduxjs/toolkit/query';
import { useMemo } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import {
  useLazyRouteVersionsQuery,
  useLineDocumentQuery,
  useLineQuery,
  useProvenLinesQuery,
  useQuoteQuery,
  useReplanMutation,
  useRouteVersionsQuery,
} from '../api/linesApi.ts';
import { useCatalogueQuery } from '../api/catalogueApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { usePressesQuery } from '../api/pressesApi.ts';
import { serverNow } from '../api/serverClock.ts';
import { useAttempt } from '../api/useAttempt.ts';
import { useStartRunMutation } from '../features/floor/index.ts';
import { LinePicker, Measuring } from '../features/orders/index.ts';
import { RouteView, wishedIn } from '../features/route/index.ts';
import { personNamed, useSignature } from '../person/personSlice.ts';
import { useDispatch } from 'react-redux';
import { Button, Empty, Failed, Loading, Note, PageHead, Refusal, StateMark } from '../ui/index.ts';

/** The settings of one line and why they are what they are. */
export function RoutePage() {
  const { lineId } = useParams();
  if (lineId) return <LineRoute key={lineId} lineId={lineId} />;
  return (
    <>
      <PageHead title={t('Route')} says={t('Choose a line to see its settings and the reasons for them.')} />
      <LinePicker to={(id) => `/route/${id}`} what={t('route')} />
    </>
  );
}

function LineRoute({ lineId }: { lineId: string }) {
  const { data, error, refetch } = useLineQuery(lineId);
  const { data: versions, error: routeError, refetch: refetchRoute } = useRouteVersionsQuery(lineId);
  const hasRoute = versions !== undefined && versions.length > 0;
  const isOpen = hasRoute && data !== undefined && isPlanned(data.line);
  const { currentData: document } = useLineDocumentQuery(hasRoute && data !== undefined ? lineId : skipToken);
  const { currentData: quote, error: quoteError } = useQuoteQuery(
    data?.line.routeNumber == null ? skipToken : lineId,
  );
  const { data: catalogue } = useCatalogueQuery();
  const { data: checks } = usePressesQuery();
  const plates = useMemo(() => (catalogue ? pressPlates(catalogue.machines) : null), [catalogue]);
  const attempt = useAttempt();
  const { data: provenLines } = useProvenLinesQuery(isOpen ? lineId : skipToken);
  const [readVersions] = useLazyRouteVersionsQuery();
  const [params, setParams] = useSearchParams();
  const [replan] = useReplanMutation();
  const [start] = useStartRunMutation();
  const by = useSignature();
  const navigate = useNavigate();
  const dispatch = useDispatch();
  const failure = error ?? routeError;
  if (failure)
    return (
      <Failed
        title={t('This route cannot be shown')}
        onRetry={() => void (error ? refetch() : refetchRoute())}
      >
        {problemMessage(failure)}
      </Failed>
    );
  if (!data || !versions) return <Loading what={t('the route')} />;
  const { line, customer, orderId, dueAt } = data;
  const [latest] = versions;
  const current = versions.find(({ isCurrent }) => isCurrent) ?? latest;
  const version = versions.find(({ number }) => number === Number(params.get('version'))) ?? current;
  if (!latest || !current || !version) return <NoRoute line={line} orderId={orderId} />;

  const plan = async (overrides: SettingOverride[], sources?: SourceChoice[]): Promise<string | null> => {
    const answer = await replan({
      lineId,
      basedOn: latest.number,
      overrides,
      ...(sources ? { sources } : {}),
    });
    if (answer.error) return problemMessage(answer.error);
    setParams({});
    return null;
  };
  const without = (own: readonly Pick<SettingOverride, 'operation' | 'setting'>[]): SettingOverride[] =>
    latest.overrides.filter(
      ({ operation, setting }) =>
        !own.some((gone) => gone.operation === operation && gone.setting === setting),
    );
  const otherSources = (print: string, role: SourceChoice['role']): SourceChoice[] =>
    latest.sources.filter((own) => own.print !== print || own.role !== role);
  const onStart = (): void =>
    void attempt.make(
      'start',
      () => start({ lineIds: [lineId], by }),
      (run) => void navigate(`/floor/${run.id}`),
    );
  const readProven = async ({ lineId: from, routeNumber }: ProvenLine): Promise<Route | null> => {
    const { data: theirs } = await readVersions(from, true);
    return theirs?.find(({ number }) => number === routeNumber)?.route ?? null;
  };
  const paper = (path: string, size: string): string => `/api/v1${path}?paper=${size}`;
  return (
    <>
      <PageHead
        title={
          <>
            <span className="code">{line.code}</span> {customer}
          </>
        }
        mark={<StateMark state={line.state} />}
        says={`${version.route.summary}${
          version.number === current.number
            ? ''
            : `. You are looking at version ${version.number}; version ${current.number} is the one it is made by.`
        }`}
      >
        <Link to={`/orders/${orderId}`}>{t('Order')}</Link>
        <Link to={`/artwork/${lineId}`}>{t('Artwork')}</Link>
        {line.state === 'ready' && (
          <Button look="primary" onClick={onStart} isBusy={attempt.isBusy('start')}>
            {t('Start on the floor')}
          </Button>
        )}
      </PageHead>
      <Refusal {...attempt.refusal('start')} />
      <div style={{ marginBottom: 12 }}>
        <NotCurrent line={line} shown={version} orderId={orderId} />
      </div>
      <RouteView
        version={version}
        wished={wishedIn(version.route, params)}
        versions={versions}
        document={isOpen ? (document ?? null) : null}
        blank={document?.garment ?? null}
        plates={plates}
        checks={checks}
        printSize={largest(document)}
        quote={version.isCurrent ? (quote ?? null) : null}
        noQuote={version.isCurrent && quoteError ? problemMessage(quoteError) : ''}
        provenLines={provenLines}
        papers={{
          runSheetA4: paper(`/lines/${lineId}/run-sheet.pdf`, 'a4'),
          runSheetLetter: paper(`/lines/${lineId}/run-sheet.pdf`, 'letter'),
          quoteA4: paper(`/orders/${orderId}/quote.pdf`, 'a4'),
          quoteLetter: paper(`/orders/${orderId}/quote.pdf`, 'letter'),
        }}
        kind={line.styleKind}
        colourHex={line.colour.hex}
        pictureOf={(print) =>
          line.prints.some(({ id, artwork }) => id === print && artwork)
            ? `/api/v1/lines/${lineId}/picture?print=${print}&version=${version.number}`
            : null
        }
        promise={isPlanned(line) ? promiseSlip(version.route, serverNow(), Date.parse(dueAt)) : null}
        isOpen={isPlanned(line) && version.isCurrent}
        onShow={(number) => setParams(number === current.number ? {} : { version: String(number) })}
        onKeep={(tried, signed) => {
          dispatch(personNamed(signed.who));
          return plan([...without(tried), ...tried.map((own) => ({ ...own, ...signed }))]);
        }}
        onChoose={(own) => {
          dispatch(personNamed(own.who));
          return plan(latest.overrides, [...otherSources(own.print, own.role), own]);
        }}
        onUnchoose={(print, role) => plan(latest.overrides, otherSources(print, role))}
        onTakeBack={(operation, setting) => plan(without([{ operation, setting }]))}
        readProven={readProven}
      />
    </>
  );
}

/** The print that covers most of a plate. */
function largest(document: LineDocument | undefined): { widthMm: number; heightMm: number } | null {
  const prints = (document?.prints ?? []).map(({ print }) => print);
  const [most] = [...prints].sort((p, q) => q.widthMm * q.heightMm - p.widthMm * p.heightMm);
  return most ? { widthMm: most.widthMm, heightMm: most.heightMm } : null;
}

/** Says that what is shown is not what the line is made by: while it is planned anew, or where it can no longer be planned. */
/** It has its route, and is not on the floor yet: everything about it can still be changed. */
const isPlanned = ({ state }: Pick<OrderLine, 'state'>): boolean =>
  state === 'ready' || state === 'art-to-mend';

function NotCurrent({ line, shown, orderId }: { line: OrderLine; shown: RouteVersion; orderId: string }) {
  if (line.state === 'planning')
    return (
      <Note tone="caution">
        {rich('◐ {code} is being planned anew. Version {number} below is from before.{measuring}', {
          code: line.code,
          number: shown.number,
          measuring: <Measuring lineId={line.id} />,
        })}
      </Note>
    );
  if (line.state === 'failed')
    return (
      <Note tone="alarm" role="status">
        {rich(
          '■ {code} cannot be planned as it now is: {planProblem} Version {number} below is from before.',
          { code: line.code, planProblem: line.planProblem, number: shown.number },
        )}
      </Note>
    );
  if (line.state === 'art-to-mend')
    return (
      <Note tone="alarm" role="status">
        {rich('◆ Something in the art of {code} stops the print. {link}, or have it {link2} by name.', {
          code: line.code,
          link: <Link to={`/artwork/${line.id}`}>{t('Mend it')}</Link>,
          link2: <Link to={`/orders/${orderId}`}>{t('printed as it is')}</Link>,
        })}
      </Note>
    );
  return null;
}

function NoRoute({
  line,
  orderId,
}: {
  line: { id: string; code: string; state: string; planProblem: string | null };
  orderId: string;
}) {
  const isPlanning = line.state === 'planning';
  const why =
    line.planProblem ??
    (isPlanning
      ? 'It is being planned. Nothing is lost when you leave this page.'
      : 'It has no artwork yet.');
  return (
    <Empty
      title={
        isPlanning
          ? t('{code} has no route yet', { code: line.code })
          : t('{code} has no route', { code: line.code })
      }
    >
      {why} <Link to={`/orders/${orderId}/edit`}>{t('Open the order')}</Link>
      {isPlanning && <Measuring lineId={line.id} />}
    </Empty>
  );
}
