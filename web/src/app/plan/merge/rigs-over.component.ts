import { Component, computed, inject, input } from '@angular/core';
import { formatLength, type Rig } from '@doceo/core';
import { SessionStore } from '../../data/session';

/** The picture: its size, where the leader hangs, and how wide a tag reaches, pixels. */
const WIDTH_PX = 260;
const HEIGHT_PX = 236;
const TOP_PX = 22;
const APART_PX = 24;
const TAG_PX = 17;

/** Two ways to tie a rig hung beside each other to one scale, from the fly line down to the point fly. */
@Component({
  selector: 'doceo-rigs-over',
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + widthPx + ' ' + heightPx"
      role="img"
      [attr.aria-label]="'Mine and ' + theirName() + ', to one scale'"
    >
      <line class="surface" x1="0" [attr.x2]="widthPx" y1="22" y2="22" />
      @for (side of sides(); track side.name) {
        <text [attr.x]="side.x" y="14" text-anchor="middle" class="name">{{ side.name }}</text>
        @for (part of side.sections; track part.key) {
          <line
            [attr.class]="'leader ' + side.kind"
            [attr.x1]="side.x"
            [attr.x2]="side.x"
            [attr.y1]="part.top"
            [attr.y2]="part.bottom"
            [attr.stroke-width]="part.width"
          />
          <line
            class="knot"
            [attr.x1]="side.x - 5"
            [attr.x2]="side.x + 5"
            [attr.y1]="part.top"
            [attr.y2]="part.top"
          />
          @if (part.told) {
            <text [attr.x]="side.labelX" [attr.y]="part.middle - 6" [attr.text-anchor]="side.anchor">
              {{ part.name }}
            </text>
            <text
              class="figure"
              [attr.x]="side.labelX"
              [attr.y]="part.middle + 8"
              [attr.text-anchor]="side.anchor"
            >
              {{ part.told }}
            </text>
          }
        }
        @for (fly of side.flies; track fly.key) {
          @if (fly.tag) {
            <path [attr.class]="'leader ' + side.kind" [attr.d]="fly.tag" stroke-width="1.5" />
          }
          <ellipse class="fly" [attr.cx]="fly.x" [attr.cy]="fly.y" rx="7" ry="4" />
        }
        @for (thing of side.fittings; track thing.key) {
          <circle [attr.class]="thing.kind" [attr.cx]="side.x" [attr.cy]="thing.y" [attr.r]="thing.r" />
        }
      }
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
      max-width: 340px;
      background: var(--sheet);
      border: 1px solid var(--line);
    }
    .surface {
      stroke: var(--river);
      stroke-dasharray: 6 4;
    }
    .leader {
      stroke: var(--river);
      fill: none;
    }
    .leader.theirs {
      stroke: #7d9411;
    }
    .knot {
      stroke: var(--ink);
    }
    .fly {
      fill: #7a4a1d;
    }
    .indicator {
      fill: var(--sighter);
    }
    .shot {
      fill: var(--ink);
    }
    text {
      font-size: 12px;
      fill: var(--ink);
    }
    .name {
      font-weight: 600;
    }
  `,
})
export class RigsOverComponent {
  private readonly session = inject(SessionStore);
  readonly mine = input.required<Rig>();
  readonly theirs = input.required<Rig>();
  readonly theirName = input.required<string>();
  protected readonly widthPx = WIDTH_PX;
  protected readonly heightPx = HEIGHT_PX;

  protected readonly sides = computed(() => {
    const rigs = { mine: this.mine(), theirs: this.theirs() };
    const longest = Math.max(...Object.values(rigs).map(lengthOf), 0.1);
    const scale = (HEIGHT_PX - TOP_PX - 14) / longest;
    return (['mine', 'theirs'] as const).map((kind) => ({
      ...{ kind, name: kind === 'mine' ? 'mine' : this.theirName() },
      ...this.hung(rigs[kind], kind === 'mine' ? rigs.theirs : rigs.mine, scale, kind === 'mine' ? -1 : 1),
    }));
  });

  private hung(rig: Rig, other: Rig, scale: number, way: 1 | -1) {
    const x = WIDTH_PX / 2 + way * APART_PX;
    let top = TOP_PX;
    const tops = new Map<string, number>();
    const sections = rig.sections.map((section) => {
      const from = top;
      top += section.lengthM * scale;
      tops.set(section.id, from);
      const same = other.sections.find(({ id }) => id === section.id);
      const differs = !same || same.lengthM !== section.lengthM || same.diameterM !== section.diameterM;
      return {
        ...{ key: section.id, top: from, bottom: top, middle: (from + top) / 2 + 4 },
        width: Math.max(1.5, Math.min(6, section.diameterM * 11_000)),
        name: section.name,
        told: differs ? formatLength(section.lengthM, this.session.units()) : '',
      };
    });
    const end = top;
    return {
      ...{ x, sections, labelX: x + way * 12, anchor: way < 0 ? 'end' : 'start' },
      flies: rig.flies.map((fly) => {
        const y = fly.at.kind === 'point' ? end : (tops.get(fly.at.sectionId) ?? end);
        const isTag = fly.at.kind === 'tag';
        return {
          ...{ key: fly.id, x: isTag ? x - way * TAG_PX : x, y: isTag ? y + 7 : y },
          tag: isTag ? `M${x} ${y}l${-way * TAG_PX} 7` : null,
        };
      }),
      fittings: rig.fittings.map((fitting) => ({
        ...{ key: fitting.id, kind: fitting.kind, r: fitting.kind === 'shot' ? 3 : 6 },
        y: end - fitting.aboveFlyM * scale,
      })),
    };
  }
}

function lengthOf({ sections }: Rig): number {
  return sections.reduce((sum, { lengthM }) => sum + lengthM, 0);
}
