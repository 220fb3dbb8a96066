import { t } from '../../words/index.ts';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../actions/Button.tsx';
import { Row, Stack } from '../layout/boxes.tsx';
import { saveCsv } from '../tables/saveCsv.ts';
import { saveFile } from '../tables/saveFile.ts';
import { SimpleTable } from '../tables/SimpleTable.tsx';
import { Refusal } from '../states/Note.tsx';
import { chartRows, chartWords, isMap, isPlot } from './chartData.ts';
import type { AnyChart } from './chartData.ts';
import type { DrawnChart } from './drawChart.ts';

interface Props {
  /** What it shows; also the name of its files. */
  title: string;
  data: AnyChart;
  heightPx?: number;
}

/** A chart in our look, with the same as a table, as CSV and as a picture. What draws it is loaded when the first is shown. */
export function Chart({ title, data, heightPx = 220 }: Props) {
  const place = useRef<HTMLDivElement>(null);
  const drawn = useRef<DrawnChart | null>(null);
  const latest = useRef(data);
  const [isTable, setTable] = useState(false);
  const [problem, setProblem] = useState('');
  const [attempt, setAttempt] = useState(0);
  useEffect(() => {
    latest.current = data;
    drawn.current?.show(data);
  }, [data]);
  useEffect(() => {
    const element = place.current;
    if (isTable || !element) return undefined;
    let isGone = false;
    const watcher = new ResizeObserver(() => drawn.current?.resize());
    const draw = async (): Promise<void> => {
      const [{ drawChart }] = await Promise.all([
        import('./drawChart.ts'),
        document.fonts.load("12px 'Archivo Variable'"), // a canvas drawn before its font stays with another
      ]);
      if (isGone) return;
      drawn.current = drawChart(element, window.matchMedia('(prefers-reduced-motion: reduce)').matches);
      drawn.current.show(latest.current);
      watcher.observe(element);
    };
    draw().catch(() => setProblem(t('The chart could not be loaded; its table can be shown all the same.')));
    return () => {
      isGone = true;
      watcher.disconnect();
      drawn.current?.end();
      drawn.current = null;
    };
  }, [isTable, attempt]);
  const savePicture = (): void => {
    const address = drawn.current?.png();
    if (address !== undefined) saveFile(address, `${title}.png`);
  };
  const [head = [], ...rows] = chartRows(data);
  return (
    <Stack as="figure" gap={4}>
      <Row justify="space-between" gap={8}>
        <strong>{title}</strong>
        <Row gap={0}>
          <Button look="quiet" size="small" isPressed={isTable} onClick={() => setTable(!isTable)}>
            {isTable ? t('Chart') : t('Table')}
          </Button>
          <Button look="quiet" size="small" onClick={() => void saveCsv(title, [head, ...rows])}>
            {t('CSV')}
          </Button>
          {!isTable && (
            <Button look="quiet" size="small" onClick={savePicture}>
              {t('PNG')}
            </Button>
          )}
        </Row>
      </Row>
      <Refusal
        words={problem}
        onRetry={() => {
          setProblem('');
          setAttempt(attempt + 1);
        }}
      />
      {isTable ? (
        <SimpleTable
          label={title}
          rows={rows}
          keyOf={([at]) => String(at)}
          columns={head.map((name, i) => ({
            key: String(name),
            title: String(name),
            isNumber: i > 0,
            cell: (row: (string | number)[]) => {
              const value = row[i] ?? '';
              return i > 0 && typeof value === 'number' && !isMap(data) && !isPlot(data)
                ? data.up.write(value)
                : value;
            },
          }))}
        />
      ) : (
        <div
          ref={place}
          role="img"
          aria-label={`${title}. ${chartWords(data)}`}
          style={{ height: heightPx, width: '100%', minWidth: 0 }}
        />
      )}
    </Stack>
  );
}
