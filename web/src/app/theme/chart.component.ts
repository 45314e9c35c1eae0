import { Component, input, output, signal } from '@angular/core';
import type { ECharts, EChartsCoreOption } from 'echarts/core';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { chartFonts } from './chart-theme';
import echarts from './echarts-core';

/** A chart in the one look of all, with what it shows in words for whoever does not see it. */
@Component({
  selector: 'doceo-chart',
  imports: [NgxEchartsDirective],
  providers: [provideEchartsCore({ echarts })],
  template: `
    @if (lettered()) {
      <div
        echarts
        [options]="options()"
        theme="doceo"
        role="img"
        [attr.aria-label]="words()"
        [style.height.px]="height()"
        (chartInit)="made.emit($event)"
      ></div>
    } @else {
      <div [style.height.px]="height()"></div>
    }
  `,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class ChartComponent {
  readonly options = input.required<EChartsCoreOption>();
  readonly words = input.required<string>();
  readonly height = input.required<number>();
  readonly made = output<ECharts>();
  /** A canvas keeps the letters it was drawn with: it is drawn when its type is there. */
  protected readonly lettered = signal(chartFonts.there());

  constructor() {
    if (!this.lettered()) void chartFonts.fetch().then(() => this.lettered.set(true));
  }
}
