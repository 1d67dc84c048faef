import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { ApiError } from './api.ts';
import { MOST_TRIES, RETRY_MS, untilAnswered } from './untilAnswered.ts';

const silence = new ApiError('no-answer', 'Nobody answers; it is kept here.');

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

it('an answer at once is handed on, and nobody is told to wait', async () => {
  const wait = vi.fn();
  expect(await untilAnswered(() => Promise.resolve(7), wait)).toBe(7);
  expect(wait).not.toHaveBeenCalled();
});
it('silence is asked again, and told once', async () => {
  const wait = vi.fn();
  const post = vi
    .fn<() => Promise<number>>()
    .mockRejectedValueOnce(silence)
    .mockRejectedValueOnce(silence)
    .mockResolvedValue(3);
  const answer = untilAnswered(post, wait);
  await vi.advanceTimersByTimeAsync(RETRY_MS - 1);
  expect(post).toHaveBeenCalledTimes(1);
  await vi.advanceTimersByTimeAsync(RETRY_MS + 1);
  expect(await answer).toBe(3);
  expect(wait.mock.calls).toEqual([['Nobody answers; it is kept here.']]);
});
it('a refusal is not asked again', async () => {
  const post = vi.fn(() => Promise.reject(new ApiError('refused', 'Cut already.')));
  await expect(untilAnswered(post, () => undefined)).rejects.toThrow('Cut already.');
  expect(post).toHaveBeenCalledTimes(1);
});
it('one day it is given up', async () => {
  const post = vi.fn(() => Promise.reject(silence));
  const ended = expect(untilAnswered(post, () => undefined)).rejects.toBe(silence);
  await vi.advanceTimersByTimeAsync(RETRY_MS * MOST_TRIES);
  await ended;
  expect(post).toHaveBeenCalledTimes(MOST_TRIES);
});
