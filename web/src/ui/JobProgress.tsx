import LinearProgress from '@mui/material/LinearProgress';

/** How far long work is, said and shown. */
export function JobProgress({ words, share }: { words: string; share: number | null }) {
  const percent = share === null ? null : Math.round(100 * share);
  return (
    <div role="status" style={{ display: 'grid', gap: 4, marginTop: 8 }}>
      <span className="small">
        {words}
        {percent !== null && `: ${percent} %`}
      </span>
      <LinearProgress
        aria-label={words}
        {...(percent === null ? {} : { variant: 'determinate', value: percent })}
      />
    </div>
  );
}
