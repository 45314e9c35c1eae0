import { codeOnlySchema } from '@doceo/contract';
import { Subject } from 'rxjs';
import { ApiError } from './api-error';
import { Sending } from './sending';

describe('a small form on its way', () => {
  it('is not sent when its contract refuses it, and says at which field', () => {
    const sending = new Sending();
    expect(sending.checked(codeOnlySchema, { code: ' ' })).toBeNull();
    expect(sending.wrong()?.at('code')).toBe('the code is needed');
    expect(sending.checked(codeOnlySchema, { code: ' 12 ' })).toEqual({ code: '12' });
    sending.clear();
    expect(sending.wrong()).toBeNull();
  });

  it('is busy until it is answered, and forgets what was wrong before', () => {
    const sending = new Sending();
    sending.checked(codeOnlySchema, {});
    const call = new Subject<number>();
    const answers: number[] = [];
    sending.send(call, (answer) => answers.push(answer));
    expect([sending.busy(), sending.wrong()]).toEqual([true, null]);
    call.next(7);
    expect([sending.busy(), answers]).toEqual([false, [7]]);
  });

  it('tells what the server refused, and does what is to be done then', () => {
    const sending = new Sending();
    const call = new Subject<number>();
    let late = 0;
    sending.send(
      call,
      () => undefined,
      () => (late += 1),
    );
    call.error(new ApiError('not-found', 'It is gone.', []));
    expect([sending.busy(), sending.wrong()?.message, late]).toEqual([false, 'It is gone.', 1]);
  });
});
