import type { SettingOverride } from '@saltflat/contract';
import Button from '@mui/material/Button';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { useLineQuery, useReplanMutation, useRouteVersionsQuery } from '../api/linesApi.ts';
import { problemMessage } from '../api/problemMessage.ts';
import { useStartRunMutation } from '../features/floor/index.ts';
import { LinePicker } from '../features/orders/index.ts';
import { RouteView } from '../features/route/index.ts';
import { personNamed, usePerson } from '../person/personSlice.ts';
import { Loading, Notice } from '../ui/Notice.tsx';
import { StateMark } from '../ui/StateMark.tsx';
import { useDispatch } from 'react-redux';

/** The settings of one line and why they are what they are. */
export function RoutePage() {
  const { lineId } = useParams();
  if (lineId) return <LineRoute key={lineId} lineId={lineId} />;
  return (
    <>
      <div className="page-head">
        <h1>Route</h1>
        <span className="muted">Choose a line to see its settings and the reasons for them.</span>
      </div>
      <LinePicker to={(id) => `/route/${id}`} what="route" />
    </>
  );
}

function LineRoute({ lineId }: { lineId: string }) {
  const { data, error } = useLineQuery(lineId);
  const { data: versions, error: routeError } = useRouteVersionsQuery(lineId);
  const [params, setParams] = useSearchParams();
  const [replan] = useReplanMutation();
  const [start] = useStartRunMutation();
  const by = usePerson().trim() || 'not named';
  const navigate = useNavigate();
  const dispatch = useDispatch();
  const failure = error ?? routeError;
  if (failure) return <Notice title="This route cannot be shown">{problemMessage(failure)}</Notice>;
  if (!data || !versions) return <Loading what="the route" />;
  const { line, customer, orderId } = data;
  const [latest] = versions;
  const version = versions.find(({ number }) => number === Number(params.get('version'))) ?? latest;
  if (!latest || !version) return <NoRoute line={line} orderId={orderId} />;

  const plan = async (overrides: SettingOverride[]): Promise<string | null> => {
    const answer = await replan({ lineId, basedOn: latest.number, overrides });
    if (answer.error) return problemMessage(answer.error);
    setParams({});
    return null;
  };
  const others = (operation: string, setting: string): SettingOverride[] =>
    latest.overrides.filter((own) => !(own.operation === operation && own.setting === setting));
  const onStart = async (): Promise<void> => {
    const answer = await start({ lineId, by });
    if (answer.data) void navigate(`/floor/${answer.data.id}`);
  };
  return (
    <>
      <div className="page-head">
        <h1>
          <span className="code">{line.code}</span> {customer}
        </h1>
        <StateMark state={line.state} />
        <span className="muted" style={{ flex: 1, minWidth: 260 }}>
          {version.route.summary}
          {version.number !== latest.number &&
            `. You are looking at version ${version.number}; version ${latest.number} is the newest.`}
        </span>
        <Link to={`/orders/${orderId}`}>Order</Link>
        <Link to={`/artwork/${lineId}`}>Artwork</Link>
        {line.state === 'ready' && (
          <Button variant="contained" onClick={() => void onStart()}>
            Start on the floor
          </Button>
        )}
      </div>
      <RouteView
        version={version}
        versions={versions}
        isOpen={line.state === 'ready' && version.number === latest.number}
        onShow={(number) => setParams(number === latest.number ? {} : { version: String(number) })}
        onOverride={(operation, setting, own) => {
          dispatch(personNamed(own.who));
          return plan([...others(operation, setting), { operation, setting, ...own }]);
        }}
        onTakeBack={(operation, setting) => void plan(others(operation, setting))}
      />
    </>
  );
}

function NoRoute({
  line,
  orderId,
}: {
  line: { code: string; state: string; planProblem: string | null };
  orderId: string;
}) {
  const why =
    line.planProblem ??
    (line.state === 'planning'
      ? 'It is being planned: the pixels are being measured.'
      : 'It has no artwork yet.');
  return (
    <Notice title={`${line.code} has no route`}>
      {why} <Link to={`/orders/${orderId}/edit`}>Open the order</Link>
    </Notice>
  );
}
