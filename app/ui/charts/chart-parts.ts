import { LineChart } from 'echarts/charts'
import {
  AriaComponent,
  BrushComponent,
  DataZoomComponent,
  GridComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'

/** Makes known what our charts are made of; on the page as in the worker. */
export function useChartParts(): void {
  use([
    LineChart,
    GridComponent,
    TooltipComponent,
    AriaComponent,
    MarkLineComponent,
    DataZoomComponent,
    BrushComponent,
    CanvasRenderer,
  ])
}
