import { Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { until } from '../../../testing/page';
import { Player } from './player';

@Component({ template: '' })
class HolderComponent {
  readonly endS = signal(2);
  readonly player = new Player(this.endS);
}

describe('the clock of a run', () => {
  const made = (): HolderComponent => TestBed.createComponent(HolderComponent).componentInstance;

  it('plays to the end and stops there; once more begins at the start', async () => {
    const { player, endS } = made();
    endS.set(0.15);
    player.play();
    expect(player.playing()).toBe(true);
    await until(() => !player.playing());
    expect(player.atS()).toBeCloseTo(0.15, 9);
    player.play();
    expect(player.atS()).toBe(0);
    player.pause();
  });

  it('goes slower at another pace', async () => {
    const { player } = made();
    player.pace.set(0.1);
    const from = performance.now();
    player.play();
    await new Promise((resolve) => setTimeout(resolve, 200));
    player.pause();
    expect(player.atS()).toBeGreaterThan(0);
    expect(player.atS()).toBeLessThan(((performance.now() - from) / 1000) * 0.15);
  });

  it('is taken to a time within the run, and stands there', () => {
    const { player } = made();
    player.play();
    player.goTo(1.3);
    expect(player.playing()).toBe(false);
    expect(player.atS()).toBe(1.3);
    player.goTo(-5);
    expect(player.atS()).toBe(0);
    player.goTo(99);
    expect(player.atS()).toBe(2);
  });

  it('never stands beyond a run that has become shorter', () => {
    const fixture = TestBed.createComponent(HolderComponent);
    const { player, endS } = fixture.componentInstance;
    player.goTo(1.8);
    endS.set(1);
    fixture.detectChanges();
    TestBed.tick();
    expect(player.atS()).toBe(1);
  });
});
