import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { StudentPage } from '@doceo/contract';
import { streamName, streamText } from './words';

/** One stream: wide as far as he has it, narrow where he is learning, dashed banks where nobody has seen it. */
@Component({
  selector: 'doceo-stream-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      <b>{{ name() }}</b> {{ text() }}
    </p>
    <div class="bed" role="img" [attr.aria-label]="label()">
      <i class="has strand-fill" [style.width.%]="has()"></i>
      <i class="learning" [style.width.%]="learning()"></i>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 3px;
    }

    b {
      color: var(--strand);
    }

    .bed {
      display: flex;
      align-items: center;
      height: 18px;
      background:
        repeating-linear-gradient(90deg, #8f8f7a 0 6px, transparent 6px 11px) 0 0 / 100% 1.5px no-repeat,
        repeating-linear-gradient(90deg, #8f8f7a 0 6px, transparent 6px 11px) 0 100% / 100% 1.5px no-repeat;
    }

    .has {
      height: 100%;
      /* The bed narrows at its end. */
      clip-path: polygon(0 0, calc(100% - 30px) 0, 100% 34%, 100% 66%, calc(100% - 30px) 100%, 0 100%);
    }

    .learning {
      height: 34%;
      background: var(--strand);
      border-radius: 0 3px 3px 0;
    }
  `,
  host: { '[class]': "'strand-' + stream().strand" },
})
export class StreamLineComponent {
  readonly stream = input.required<StudentPage['streams'][number]>();
  protected readonly name = computed(() => streamName(this.stream()));
  protected readonly text = computed(() => streamText(this.stream()));
  protected readonly has = computed(() => this.share(this.stream().has));
  protected readonly learning = computed(() => this.share(this.stream().learning));
  protected readonly label = computed(() => {
    const { has, learning, of } = this.stream();
    return `${has} of ${of} are there, ${learning} are coming`;
  });

  private share(skills: number): number {
    return (100 * skills) / Math.max(1, this.stream().of);
  }
}
