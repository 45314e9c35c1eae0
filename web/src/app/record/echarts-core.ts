import { BarChart, CustomChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { chartTheme } from '../theme/chart-theme';

echarts.use([BarChart, CustomChart, GridComponent, TooltipComponent, CanvasRenderer]);
echarts.registerTheme('doceo', chartTheme);

export default echarts;
