import { PLAN } from '../../../testing/fixtures';
import { keyEdit } from './block-keys';

const BLOCK = { ...PLAN.body.blocks[0]!, id: 'b', startMin: 30, durationMin: 15, lane: null };
const pressed = (key: string, held: KeyboardEventInit = {}, lane: number | null = null): unknown =>
  keyEdit(new KeyboardEvent('keydown', { key, ...held }), { ...BLOCK, lane }, 3);

describe('keys on a block', () => {
  it('move it in time', () => {
    expect(pressed('ArrowDown')).toEqual({ kind: 'move', blockId: 'b', startMin: 35, lane: null });
    expect(pressed('ArrowUp', {}, 1)).toEqual({ kind: 'move', blockId: 'b', startMin: 25, lane: 1 });
  });

  it('give it to one student after the other, and to all again', () => {
    const laneAfter = (lane: number | null, key: string): unknown =>
      (pressed(key, {}, lane) as { lane: number | null }).lane;
    expect([null, 0, 1, 2].map((lane) => laneAfter(lane, 'ArrowRight'))).toEqual([0, 1, 2, null]);
    expect([null, 2, 1, 0].map((lane) => laneAfter(lane, 'ArrowLeft'))).toEqual([2, 1, 0, null]);
  });

  it('make it longer, put it behind the next, or shift what follows', () => {
    expect(pressed('ArrowDown', { shiftKey: true })).toEqual({
      ...{ kind: 'resize', blockId: 'b', durationMin: 20 },
    });
    expect(pressed('ArrowDown', { altKey: true })).toEqual({
      ...{ kind: 'reorder', blockId: 'b', direction: 1 },
    });
    expect(pressed('ArrowUp', { altKey: true, shiftKey: true })).toEqual({
      ...{ kind: 'shift', fromMin: 30, byMin: -5 },
    });
  });

  it('take it out, and leave to the browser what is its own', () => {
    expect(pressed('Delete')).toEqual({ kind: 'remove', blockId: 'b' });
    expect(pressed('Backspace')).toEqual({ kind: 'remove', blockId: 'b' });
    expect(pressed('ArrowDown', { ctrlKey: true })).toBeNull();
    expect(pressed('Enter')).toBeNull();
  });
});
