import { BarChart, CustomChart, LineChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { chartTheme } from './chart-theme';

echarts.use([
  BarChart,
  CustomChart,
  LineChart,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
  CanvasRenderer,
]);
echarts.registerTheme('doceo', chartTheme);

export default echarts;
