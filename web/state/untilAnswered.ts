import { ApiError } from './api.ts';

export const RETRY_MS = 1500;
export const MOST_TRIES = 40;

/**
 * Sends until there is an answer. The id stays the same, so a command that did arrive is not done twice.
 * @param onWait told once, when there is no answer for the first time
 */
export async function untilAnswered<T>(post: () => Promise<T>, onWait: (words: string) => void): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await post();
    } catch (error) {
      if (!(error instanceof ApiError) || error.code !== 'no-answer' || tries === MOST_TRIES) throw error;
      if (tries === 1) onWait(error.message);
      await new Promise((done) => setTimeout(done, RETRY_MS));
    }
  }
}
