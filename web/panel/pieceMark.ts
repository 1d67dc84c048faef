/** The number of the piece that an element of a picture belongs to. */
export function pieceMarkAt(target: EventTarget | null): number | null {
  const mark = target instanceof Element ? target.closest('[data-piece]') : null;
  return mark && Number(mark.getAttribute('data-piece'));
}
