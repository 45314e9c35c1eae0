import { Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { DialogComponent } from './dialog.component';

@Component({
  selector: 'doceo-host',
  imports: [DialogComponent],
  template: `
    <button type="button" id="opens" (click)="open.set(true)">Open</button>
    @if (open()) {
      <doceo-dialog heading="What is asked" (closed)="open.set(false)">
        @if (!given()) {
          <button type="button" id="gives" (click)="given.set(true)">Give</button>
        }
        <button type="button" id="shuts" (click)="open.set(false)">Shut</button>
      </doceo-dialog>
    }
    <button type="button" id="other">Other</button>
  `,
})
class HostComponent {
  readonly open = signal(false);
  readonly given = signal(false);
}

describe('a dialog that closes', () => {
  const opened = async () => {
    const fixture = TestBed.createComponent(HostComponent);
    document.body.append(fixture.nativeElement as HTMLElement);
    const press = async (id: string): Promise<void> => {
      const button = document.getElementById(id)!;
      button.focus();
      button.click();
      await fixture.whenStable();
    };
    await press('opens');
    return press;
  };
  afterEach(() => document.body.replaceChildren());

  it('gives the focus back to what it was opened from, though what was pressed in it is gone', async () => {
    const press = await opened();
    await press('gives');
    await press('shuts');
    expect(document.activeElement?.id).toBe('opens');
  });

  it('leaves it where it was put meanwhile', async () => {
    await opened();
    const other = document.getElementById('other')!;
    const shuts = document.getElementById('shuts')!;
    other.focus();
    shuts.click();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(document.activeElement?.id).toBe('other');
  });
});
