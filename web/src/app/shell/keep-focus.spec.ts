import { Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { KeepFocus } from './keep-focus';

@Component({
  selector: 'doceo-host',
  template: `
    <a href="#main">Skip</a>
    @if (open()) {
      <button type="button" id="shut" (click)="open.set(false)">Shut</button>
    }
    <main tabindex="-1" id="main">
      <ul>
        @for (name of names(); track name) {
          <li>
            <input [name]="name" />
            <button type="button" [id]="name" (click)="drop(name)">Take out {{ name }}</button>
          </li>
        }
      </ul>
    </main>
  `,
})
class HostComponent {
  readonly names = signal(['a', 'b', 'c']);
  readonly open = signal(true);

  drop(name: string): void {
    this.names.update((all) => all.filter((one) => one !== name));
  }
}

describe('the focus', () => {
  const open = () => {
    const fixture = TestBed.createComponent(HostComponent);
    document.body.append(fixture.nativeElement as HTMLElement);
    fixture.detectChanges();
    TestBed.runInInjectionContext(() => TestBed.inject(KeepFocus).start());
    const press = async (id: string): Promise<string> => {
      const button = document.getElementById(id)!;
      button.focus();
      button.click();
      fixture.detectChanges();
      await new Promise((resolve) => setTimeout(resolve, 150));
      return document.activeElement?.id || (document.activeElement?.tagName ?? '');
    };
    return press;
  };
  afterEach(() => document.body.replaceChildren());

  it('goes to the row that comes in place of the one taken out, then to the one before', async () => {
    const press = open();
    expect(await press('b')).toBe('c');
    expect(await press('c')).toBe('a');
  });

  it('goes to what is around when nothing is left', async () => {
    const press = open();
    for (const id of ['b', 'c']) await press(id);
    expect(await press('a')).toBe('UL');
  });

  it('begins the screen that comes in place of one that is gone', async () =>
    expect(await open()('shut')).toBe('main'));

  it('stays where a screen has put it itself', async () => {
    const press = open();
    const going = press('shut');
    document.getElementById('c')!.focus();
    expect(await going).toBe('c');
  });
});
