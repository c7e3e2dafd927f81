'use client';

import dynamic from 'next/dynamic';
import { useMemo, type ReactNode } from 'react';

const ReactApexChart = dynamic(() => import('react-apexcharts'), { ssr: false });

export interface ChartLine {
  readonly name: string;
  /** Day and value; null leaves a gap. */
  readonly points: readonly (readonly [string, number | null])[];
}

interface Props {
  readonly label: string;
  readonly kind: 'steps' | 'line' | 'bars';
  readonly lines: readonly ChartLine[];
  readonly most?: number;
  readonly height?: number;
}

/** Told apart by colour and by dashes. */
const COLOURS = ['#0f3b2c', '#26557f', '#7a2a59', '#8a5200', '#5f9f7f', '#62666d', '#9a1f2b', '#15201b'];
const DASHES = [0, 6, 2, 9, 4, 12, 3, 7];

/** Values over days. The same numbers stand in a table for those who do not see it. */
export function TimeChart({ label, kind, lines, most, height = 240 }: Props): ReactNode {
  const series = useMemo(
    () =>
      lines.map((l) => ({
        name: l.name,
        data: l.points.map(([day, value]) => ({ x: Date.parse(`${day}T12:00:00Z`), y: value })),
      })),
    [lines],
  );
  const options = useMemo(
    () => ({
      chart: {
        animations: { enabled: false },
        toolbar: { show: false },
        zoom: { enabled: false },
        fontFamily: 'var(--font-text)',
        background: 'transparent',
        accessibility: { enabled: false, keyboard: { enabled: false } },
      },
      colors: COLOURS,
      stroke: {
        width: kind === 'bars' ? 0 : 3,
        curve: kind === 'steps' ? ('stepline' as const) : ('straight' as const),
        dashArray: kind === 'bars' ? 0 : DASHES,
      },
      plotOptions: { bar: { columnWidth: '60%' } },
      dataLabels: { enabled: false },
      grid: { borderColor: '#c9d1c9' },
      legend: {
        fontSize: '15px',
        position: 'top' as const,
        horizontalAlign: 'left' as const,
        labels: { colors: '#15201b' },
      },
      xaxis: { type: 'datetime' as const, labels: { style: { fontSize: '15px', colors: '#4b5951' } } },
      yaxis: {
        min: 0,
        ...(most === undefined ? {} : { max: most, tickAmount: most }),
        labels: { style: { fontSize: '15px', colors: '#4b5951' }, formatter: (v: number) => String(Math.round(v)) },
      },
      tooltip: { x: { format: 'd MMM yyyy' } },
    }),
    [kind, most],
  );
  return (
    <figure>
      <div aria-hidden="true">
        <ReactApexChart type={kind === 'bars' ? 'bar' : 'line'} height={height} series={series} options={options} />
      </div>
      {/* A table pays no heed to a width: the box around it is what is hidden. */}
      <div className="sr-only">
        <table>
          <caption>{label}</caption>
          <tbody>
            {lines.map((l) => (
              <tr key={l.name}>
                <th scope="row">{l.name}</th>
                <td>{l.points.map(([day, value]) => `${day}: ${value ?? 'none'}`).join('; ')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </figure>
  );
}
