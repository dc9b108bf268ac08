import { BarChart } from 'echarts/charts';
import { GridComponent, LegendComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';

// Only what the charts of this bench are made of; loaded when the first is shown.
echarts.use([BarChart, CanvasRenderer, GridComponent, LegendComponent]);

export { echarts };
