import { TestBed } from '@angular/core/testing';
import { DeviceUser } from '../device/device-user';
import { KeptSteps } from './kept-steps';

describe('steps of documents that were left', () => {
  let user: string;
  let kept: KeptSteps;
  beforeEach(() => {
    user = 'maren';
    TestBed.configureTestingModule({ providers: [{ provide: DeviceUser, useValue: { id: () => user } }] });
    kept = TestBed.inject(KeptSteps);
  });
  const steps = { past: ['a'], future: [] };

  it('are there for who left them, with the value they lead to', () => {
    kept.leave('plan', 'b', steps);
    expect(kept.take('plan', 'b')).toEqual(steps);
    expect(kept.take('plan', 'changed')).toBeNull();
    user = 'tobias';
    expect(kept.take('plan', 'b')).toBeNull();
  });

  it('are forgotten of the document left longest ago', () => {
    for (let i = 0; i < 13; i++) kept.leave(`plan ${i}`, 'b', steps);
    expect(kept.take('plan 0', 'b')).toBeNull();
    expect(kept.take('plan 12', 'b')).toEqual(steps);
  });
});
