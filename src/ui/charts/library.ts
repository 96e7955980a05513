import { BarChart, CustomChart, LineChart } from 'echarts/charts';
import { AriaComponent, GridComponent, TooltipComponent } from 'echarts/components';
import { init, use as register } from 'echarts/core';
import { LabelLayout } from 'echarts/features';
import { SVGRenderer } from 'echarts/renderers';

register([BarChart, CustomChart, LineChart, GridComponent, TooltipComponent, AriaComponent, LabelLayout, SVGRenderer]);

export { init };
