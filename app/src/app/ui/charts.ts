import { BarChart, LineChart } from 'echarts/charts';
import { GridComponent, LegendComponent } from 'echarts/components';
import * as echarts from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';

// Only what the charts of the benches are made of; loaded when the first is shown.
echarts.use([BarChart, LineChart, CanvasRenderer, GridComponent, LegendComponent]);

export { echarts };
