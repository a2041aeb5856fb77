import type { ApexOptions } from 'apexcharts'

const AXIS: NonNullable<ApexOptions['xaxis']> = {
  type: 'numeric',
  min: 30,
  max: 180,
  tickAmount: 5,
  decimalsInFloat: 0,
}
const percent = (value: number): string => `${Math.round(value)} %`

/** How minutes against what is kept are drawn. `paint` gives the colour behind a name of the style sheet. */
export function frontierOptions(paint: (name: string) => string, slotMinutes: number): ApexOptions {
  const [soft, line, hands] = ['--ink-soft', '--line-soft', '--hands'].map(paint) as [
    string,
    string,
    string,
  ]
  return {
    chart: {
      type: 'line',
      toolbar: { show: false },
      zoom: { enabled: false },
      animations: { enabled: false },
      fontFamily: 'inherit',
      foreColor: soft,
    },
    stroke: { curve: 'stepline', width: 2.5, colors: [hands] },
    colors: [hands],
    markers: markers(paint),
    grid: { borderColor: line, padding: { left: 4, right: 10, top: -14, bottom: -8 } },
    legend: { show: false },
    dataLabels: { enabled: false },
    xaxis: {
      ...AXIS,
      title: { text: 'minutes', offsetY: -4, style: { color: soft, fontWeight: 400 } },
      axisBorder: { color: line },
      axisTicks: { color: line },
    },
    yaxis: { min: 0, max: 100, tickAmount: 4, labels: { formatter: percent } },
    annotations: { xaxis: [slotMark(paint, slotMinutes)] },
    tooltip: {
      x: { formatter: (value: number) => `${value} min` },
      y: { formatter: (value: number) => `${percent(value)} of what is wanted` },
    },
  }
}

const markers = (paint: (name: string) => string): NonNullable<ApexOptions['markers']> => ({
  size: 5,
  colors: [paint('--raised')],
  strokeColors: paint('--hands'),
  strokeWidth: 2,
  hover: { size: 7 },
})

const slotMark = (paint: (name: string) => string, slotMinutes: number) => ({
  x: slotMinutes,
  borderColor: paint('--now'),
  strokeDashArray: 0,
  label: {
    text: `${slotMinutes} min`,
    orientation: 'horizontal',
    style: { color: paint('--ink'), background: paint('--raised'), fontSize: '12px' },
  },
})
