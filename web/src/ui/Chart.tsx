import { BarChart, LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { init, use as register, type EChartsCoreOption } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef } from 'react'

register([
  BarChart,
  LineChart,
  ScatterChart,
  GridComponent,
  LegendComponent,
  TooltipComponent,
  MarkLineComponent,
  SVGRenderer,
])

interface ChartProps {
  option: EChartsCoreOption
  /** The finding, for those who cannot see it. */
  label: string
  onPick?: (index: number) => void
  className?: string
}

/** A chart. It is loaded with the view that first shows one; beside it stands a table of the same numbers. */
export function Chart({ option, label, onPick, className }: ChartProps) {
  const box = useRef<HTMLDivElement>(null)
  const chart = useRef<ReturnType<typeof init>>(undefined)
  const pick = useRef(onPick)
  useEffect(() => void (pick.current = onPick))
  useEffect(() => {
    const own = init(box.current!, null, { renderer: 'svg' })
    chart.current = own
    own.on('click', ({ dataIndex }) => typeof dataIndex === 'number' && pick.current?.(dataIndex))
    const observer = new ResizeObserver(() => own.resize())
    observer.observe(box.current!)
    return () => {
      observer.disconnect()
      own.dispose()
    }
  }, [])
  useEffect(() => chart.current?.setOption(option, { notMerge: true }), [option])
  return <div ref={box} role="img" aria-label={label} className={className} />
}
