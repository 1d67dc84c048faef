import { describe, expect, it } from 'vitest';
import { newId } from './ids.ts';
import { once } from './once.ts';

/** Sendings that are answered when the test says so. */
function sendings() {
  const answers: ((isDone: boolean) => void)[] = [];
  return { answers, send: () => new Promise<boolean>((answer) => answers.push(answer)) };
}

describe('what is pressed twice', () => {
  it('is sent once, and both presses hear the same', async () => {
    const { answers, send } = sendings();
    const cut = { kind: 'cut', ask: { numbers: [1] } };
    const [first, second] = [once(cut, send), once(structuredClone(cut), send)];
    expect(answers).toHaveLength(1);
    answers[0]?.(true);
    expect(await Promise.all([first, second])).toEqual([true, true]);
  });
  it('is the same job though each press names a new one', async () => {
    const { answers, send } = sendings();
    const job = () => ({ kind: 'save-commission', ask: { id: newId(), title: 'Fanlight' } });
    const both = [once(job(), send), once(job(), send)];
    expect(answers).toHaveLength(1);
    answers[0]?.(true);
    await Promise.all(both);
  });
  it('but two things that were there are two, and so is what is pressed again once it is answered, or failed', async () => {
    const { answers, send } = sendings();
    const away = (id: string) => once({ kind: 'put-away', ask: { id } }, send);
    const both = [away('one'), away('two')];
    expect(answers).toHaveLength(2);
    for (const answer of answers) answer(false);
    await Promise.all(both);
    const failing = once({ kind: 'wait' }, () => Promise.reject(new Error('gone')));
    await expect(failing).rejects.toThrow('gone');
    void away('one');
    void once({ kind: 'wait' }, send);
    expect(answers).toHaveLength(4);
  });
  it('is meant again where something else was pressed between', () => {
    const { answers, send } = sendings();
    for (const hold of ['rings', 'fitted', 'rings']) void once({ kind: 'plan-finish', ask: { plan: { hold } } }, send);
    expect(answers).toHaveLength(3);
  });
});
