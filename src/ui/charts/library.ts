import { BarChart, CustomChart, LineChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { init, use as register } from 'echarts/core';
import { LabelLayout } from 'echarts/features';
import { SVGRenderer } from 'echarts/renderers';

register([
  BarChart,
  CustomChart,
  LineChart,
  GridComponent,
  MarkLineComponent,
  TooltipComponent,
  AriaComponent,
  LabelLayout,
  SVGRenderer,
]);

export { init };
