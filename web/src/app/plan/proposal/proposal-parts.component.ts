import { Component, computed, inject } from '@angular/core';
import { rowKey } from '@doceo/core';
import { changeTag } from '@doceo/texts';
import { PlanProposal } from './plan-proposal';

/** The changes of a proposal one by one, to take some and leave others. */
@Component({
  selector: 'doceo-proposal-parts',
  template: `
    <ul aria-label="Parts of the preview">
      @for (part of parts(); track part.key) {
        <li>
          <label
            ><input
              type="checkbox"
              [checked]="proposal.parts()?.has(part.key)"
              (change)="proposal.togglePart(part.key)"
            />
            <b>{{ part.title }}</b>&ngsp; <span>{{ part.tag }}</span></label
          >
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      list-style: none;
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
      gap: 2px 14px;
      margin: 0 18px 10px 0;
      padding: 8px 12px;
      background: var(--sheet);
      font-size: 13px;
    }
    label {
      display: flex;
      gap: 6px;
      align-items: center;
      min-height: 28px;
    }
    span {
      color: var(--ink-soft);
    }
  `,
})
export class ProposalPartsComponent {
  protected readonly proposal = inject(PlanProposal);
  protected readonly parts = computed(() => {
    const changes = this.proposal.changes();
    if (!changes) return [];
    return [
      ...changes.rows.flatMap(({ row, change }) =>
        change.kind === 'same'
          ? []
          : { key: rowKey(row), title: row.blocks[0].title, tag: changeTag(change) },
      ),
      ...changes.gone.map((row) => ({ key: rowKey(row), title: row.blocks[0].title, tag: 'goes' })),
    ];
  });
}
