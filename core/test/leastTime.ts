/**
 * What a piece of work gives, and the least of the times that it took, ms. A machine that others use too stops now and
 * then in the middle of it: what took longer than it should is done again, three times at the most.
 */
export function leastTime<T>(work: () => T, mostMs: number): { readonly result: T; readonly ms: number } {
  const once = () => {
    const began = performance.now();
    return { result: work(), ms: performance.now() - began };
  };
  let least = once();
  for (let again = 0; again < 2 && least.ms >= mostMs; again++) {
    const next = once();
    if (next.ms < least.ms) least = next;
  }
  return least;
}
