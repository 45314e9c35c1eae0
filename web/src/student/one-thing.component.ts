import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { StudentPage } from '@doceo/contract';
import { BeatComponent } from './beat.component';
import { HomeDrillComponent } from './home-drill.component';
import { firstName } from './words';

/** The one thing to work on, in the instructor's words, with its drill. What is about casting has the beat as its drawing. */
@Component({
  selector: 'doceo-one-thing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BeatComponent, HomeDrillComponent],
  template: `
    <section class="dark">
      <h2>{{ heading() }}</h2>
      @if (page().one.sentence; as said) {
        <p>“{{ said }}” {{ instructor() }}</p>
      }
      @if (page().one.fault; as fault) {
        <p>What happens: {{ fault.sign }}.</p>
        @if (fault.cure !== heading()) {
          <p>Try: {{ fault.cure }}.</p>
        }
      }
      @if (casting()) {
        <doceo-beat [page]="page()" />
      }
    </section>
    @if (page().one.drill; as drill) {
      <doceo-home-drill [drill]="drill" />
    }
    @if (!casting()) {
      <section class="dark after">
        <h2>The beat of your cast</h2>
        <doceo-beat [page]="page()" />
      </section>
    }
  `,
  styles: `
    .dark {
      background: var(--deep);
      color: #fff;
      padding: 16px 18px;
      display: grid;
      gap: 10px;
    }

    .after {
      margin-top: 18px;
    }
  `,
})
export class OneThingComponent {
  readonly page = input.required<StudentPage>();
  protected readonly instructor = computed(() => firstName(this.page().instructor));
  protected readonly heading = computed(() => {
    const { drill, fault } = this.page().one;
    return drill?.cue || fault?.cure || 'Go on as you do';
  });
  /** Without anything that went wrong the beat is what there is to practise. */
  protected readonly casting = computed(() => {
    const { strand } = this.page().one;
    return strand === null || strand === 'casting';
  });
}
