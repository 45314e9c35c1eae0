import { BarChart, CustomChart, LineChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { chartTheme } from './chart-theme';

echarts.use([
  BarChart,
  CustomChart,
  LineChart,
  GridComponent,
  MarkLineComponent,
  TooltipComponent,
  CanvasRenderer,
]);
echarts.registerTheme('doceo', chartTheme);

export default echarts;
